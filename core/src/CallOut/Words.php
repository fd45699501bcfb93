<?php

declare(strict_types=1);

namespace FallBend\Core\CallOut;

use FallBend\Core\Job\FittingChoice;
use FallBend\Core\Job\Way;

/** The words of the call-out line: patterns that stand at the start of what is left to read, and what they mean. */
final class Words
{
    /** A closet bend, with or without its two sizes. */
    public const CLOSET_BEND = '(?:(?<a>\d+)\s*(?:[x×]|by)\s*(?<b>\d+)\s+)?closet\s+(?:bend|ell)'.
        '(?:\s+(?:of\s+)?(?<from>\d+)\s*(?:[x×]|by)\s*(?<to>\d+))?';

    public const NUMBER = '\d{1,9}(?:[.,]\d{1,9})?';

    public const FRACTION = '(?:(?:\d{1,9}\s*)?[½¼¾⅛⅜⅝⅞]|(?:\d{1,9}(?:\s+|-))?\d{1,3}\/\d{1,3})';

    /** A mark of inches: two strokes are one only where no name in quotes begins. */
    private const INCH = "(?:\"(?!\\w)|''|inches\\b|inch\\b|in\\b(?!\\s*\\d))";

    public const WAYS = [
        'left' => Way::Left,
        'right' => Way::Right,
        'up' => Way::Up,
        'down' => Way::Down,
        'on' => Way::On,
        'straight on' => Way::On,
        'straight' => Way::On,
        'ahead' => Way::Ahead,
        'forward' => Way::Ahead,
        'back' => Way::Back,
        'north' => Way::North,
        'east' => Way::East,
        'south' => Way::South,
        'west' => Way::West,
    ];

    private const BENDS = [
        'long sweep 90' => 'long-sweep',
        'long sweep' => 'long-sweep',
        'long-sweep' => 'long-sweep',
        'long 90' => 'long-sweep',
        'long' => 'long-sweep',
        'sweep' => 'long-sweep',
        'short sweep' => 'short-sweep',
        'short-sweep' => 'short-sweep',
        'knuckle' => 'knuckle',
        'swept 92' => 'swept',
        'swept' => 'swept',
        'slow' => 'swept',
        '30' => 'twelfth',
        '15' => 'twenty-fourth',
        'long turn 90' => 'long-sweep',
        'long turn' => 'long-sweep',
        'short turn 90' => 'quarter',
        'short turn' => 'quarter',
        'short 90' => 'quarter',
        'short' => 'quarter',
        'quarter' => 'quarter',
        '1/4' => 'quarter',
        'sixth' => 'sixth',
        '1/6' => 'sixth',
        'eighth' => 'eighth',
        '1/8' => 'eighth',
        'sixteenth' => 'sixteenth',
        '1/16' => 'sixteenth',
        '90' => 'quarter',
        '60' => 'sixth',
        '45' => 'eighth',
        '22 1/2' => 'sixteenth',
        '22.5' => 'sixteenth',
        '22' => 'sixteenth',
    ];

    /** A length as it may stand inside a phrase. */
    public static function length(): string
    {
        $inches = self::FRACTION.'|'.self::NUMBER;

        return '(?:'.
            self::NUMBER.
            '\s*(?:mm|cm|m)\b'.
            '|'.
            self::NUMBER.
            "\\s*(?:'(?!')|ft\\b|feet\\b|foot\\b)(?:\\s*-?\\s*(?:{$inches})(?!\\s*(?:'(?!')|ft\\b|mm\\b|cm\\b|m\\b|°|deg))(?:\\s*".
            self::INCH.
            ')?)?'.
            "|(?:{$inches})(?:\\s*".
            self::INCH.
            ')?)';
    }

    /** @return string a pattern for any word of the list, longest first */
    public static function ways(): string
    {
        return self::either(array_keys(self::WAYS));
    }

    /** Gives a pattern for any word that stands for a bend, longest first. */
    public static function bends(): string
    {
        return self::either(array_map(strval(...), array_keys(self::BENDS)));
    }

    /** Gives the fitting that words like `long sweep`, `45+45` or `22+45 street` stand for. */
    public static function fitting(string $first, string $second, bool $isClose): FittingChoice
    {
        $patterns = [self::BENDS[$first]];
        if ($second !== '') {
            $patterns[] = self::BENDS[$second];
        }

        return FittingChoice::of($patterns, $isClose);
    }

    /** Gives the words for a fitting, such that reading them gives the same fitting. */
    public static function inWords(FittingChoice $choice): string
    {
        $short = [
            'sixteenth' => '22',
            'eighth' => '45',
            'sixth' => '60',
            'quarter' => 'short 90',
            'long-sweep' => 'long sweep',
            'short-sweep' => 'short sweep',
            'knuckle' => 'knuckle',
            'swept' => 'swept',
            'twelfth' => '30',
            'twenty-fourth' => '15',
            FittingChoice::CLOSET => 'closet bend',
        ];
        $words = implode('+', array_map(static fn (string $pattern): string => $short[$pattern], $choice->patterns));

        return 'with '.$words.($choice->isClose ? ' street' : '');
    }

    /** @param list<string> $words */
    private static function either(array $words): string
    {
        usort($words, static fn (string $a, string $b): int => strlen($b) <=> strlen($a));

        return implode(
            '|',
            array_map(static fn (string $word): string => str_replace(' ', '\s+', preg_quote($word, '/')), $words),
        );
    }
}
