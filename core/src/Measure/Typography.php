<?php

declare(strict_types=1);

namespace FallBend\Core\Measure;

/**
 * Makes what keyboards and phones put in place of plain marks plain again, one character for one where that is
 * possible.
 */
final class Typography
{
    private const MARKS = [
        '’' => "'",
        '‘' => "'",
        '′' => "'",
        '´' => "'",
        '`' => "'",
        '”' => '"',
        '“' => '"',
        '″' => '"',
        '„' => '"',
        '⁄' => '/',
        '∕' => '/',
        "\u{00A0}" => ' ',
        "\u{2009}" => ' ',
        "\u{202F}" => ' ',
        "\t" => ' ',
        '–' => '-',
        '−' => '-',
        '‑' => '-',
        '×' => 'x',
        '⁰' => '0',
        '¹' => '1',
        '²' => '2',
        '³' => '3',
        '⁴' => '4',
        '⁵' => '5',
        '⁶' => '6',
        '⁷' => '7',
        '⁸' => '8',
        '⁹' => '9',
        '₀' => '0',
        '₁' => '1',
        '₂' => '2',
        '₃' => '3',
        '₄' => '4',
        '₅' => '5',
        '₆' => '6',
        '₇' => '7',
        '₈' => '8',
        '₉' => '9',
    ];

    private const FRACTIONS = [
        '½' => '1/2',
        '¼' => '1/4',
        '¾' => '3/4',
        '⅛' => '1/8',
        '⅜' => '3/8',
        '⅝' => '5/8',
        '⅞' => '7/8',
    ];

    /** Takes any text; gives it with plain quotes, spaces, hyphens and digits. Keeps the number of characters. */
    public static function plainMarks(string $text): string
    {
        return strtr($text, self::MARKS);
    }

    /** Takes any text; gives it with plain marks and with written-out fractions ("54½" becomes "54 1/2"). */
    public static function plain(string $text): string
    {
        $text = self::plainMarks($text);
        foreach (self::FRACTIONS as $sign => $written) {
            $text = (string) preg_replace('/(?<=\d)\s*'.$sign.'/u', ' '.$written, $text);
            $text = str_replace($sign, $written, $text);
        }

        return $text;
    }
}
