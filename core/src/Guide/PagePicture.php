<?php

declare(strict_types=1);

namespace FallBend\Core\Guide;

use LogicException;

/**
 * Draws the two panels of a page as SVG that reads in black and white. A stroke is a word, its points, and sometimes a
 * text:
 * `drain`, `wide`, `vent`, `line`, `level`, `arrow` (points), `measure` (two points, text), `box x,y w,h text`,
 * `water x,y w,h`, `hole x,y r,r`, `fixture x,y text`, `trap x,y`, `cross x,y`, `text x,y text`.
 */
final class PagePicture
{
    private const WIDTH = 220;

    private const HEIGHT = 130;

    private const LINES = [
        'drain' => 'stroke="#111" stroke-width="6"',
        'wide' => 'stroke="#111" stroke-width="10"',
        'vent' => 'stroke="#111" stroke-width="3" stroke-dasharray="7 4"',
        'line' => 'stroke="#111" stroke-width="1.5"',
        'level' => 'stroke="#555" stroke-width="1" stroke-dasharray="2 3"',
    ];

    /** How far the outlet of a drawn trap lies below its shoulder. */
    private const TRAP_FALL = 19;

    /** Gives the picture of a page. */
    public static function draw(RulePage $page): string
    {
        $wide = 2 * self::WIDTH + 30;
        $panels = self::panel($page->wrong, 0, '✗').self::panel($page->right, self::WIDTH + 30, '✓');

        return '<svg xmlns="http://www.w3.org/2000/svg" viewBox="0 0 '.
            $wide.
            ' '.
            (self::HEIGHT + 30).
            '" width="'.
            $wide.
            '" height="'.
            (self::HEIGHT + 30).
            '" font-family="sans-serif" font-size="11" fill="none" stroke-linecap="round" stroke-linejoin="round">'.
            "\n<title>".
            self::text($page->title).
            "</title>\n<rect width=\"100%\" height=\"100%\" fill=\"#fff\"/>\n{$panels}</svg>\n";
    }

    private static function panel(Panel $panel, int $left, string $mark): string
    {
        $drawn = implode("\n", array_map(self::stroke(...), $panel->strokes));

        return "<g transform=\"translate({$left} 0)\">\n<rect x=\"0.5\" y=\"0.5\" width=\"".
            (self::WIDTH - 1).
            '" height="'.
            (self::HEIGHT - 1).
            "\" stroke=\"#bbb\"/>\n{$drawn}\n".
            '<text x="4" y="'.
            (self::HEIGHT + 18).
            "\" fill=\"#111\">{$mark} ".
            self::text($panel->said).
            "</text>\n</g>\n";
    }

    private static function stroke(string $stroke): string
    {
        if (preg_match('/^(\w+)((?: -?\d+(?:\.\d+)?,-?\d+(?:\.\d+)?)+)(?: (.+))?$/u', $stroke, $m) !== 1) {
            throw new LogicException("no stroke: {$stroke}");
        }
        $points = array_map(
            static fn (string $point): array => array_map(floatval(...), explode(',', $point)),
            explode(' ', trim($m[2])),
        );
        [[$x, $y], $text] = [$points[0], self::text($m[3] ?? '')];

        return match ($m[1]) {
            'drain', 'wide', 'vent', 'line', 'level' => self::line($points, self::LINES[$m[1]]).
                self::word($points[count($points) - 1][0] - 22, $y - 4, $text),
            'arrow' => self::line($points, 'stroke="#111" stroke-width="1.5"').self::tip($points),
            'measure' => self::measure($points, $text),
            'box' => "<rect x=\"{$x}\" y=\"{$y}\" width=\"{$points[1][0]}\" height=\"{$points[1][1]}\" stroke=\"#555\" stroke-width=\"1.5\"/>".
                self::word($x + 3, $y + 12, $text),
            'water' => "<rect x=\"{$x}\" y=\"{$y}\" width=\"{$points[1][0]}\" height=\"{$points[1][1]}\" fill=\"#bbb\"/>",
            'hole' => "<circle cx=\"{$x}\" cy=\"{$y}\" r=\"{$points[1][0]}\" fill=\"#ddd\" stroke=\"#111\" stroke-width=\"1.5\"/>",
            'fixture' => "<rect x=\"{$x}\" y=\"{$y}\" width=\"40\" height=\"22\" fill=\"#eee\" stroke=\"#111\" stroke-width=\"1.5\"/>".
                self::word($x + 3, $y + 15, $text),
            'trap' => "<path d=\"M{$x} ".
                ($y - 3).
                " V{$y} a10 10 0 0 0 20 0 v-2 a8 8 0 0 1 6 ".
                self::TRAP_FALL.
                '" stroke="#111" stroke-width="6"/>',
            'cross' => "<circle cx=\"{$x}\" cy=\"{$y}\" r=\"13\" stroke=\"#111\" stroke-width=\"1.5\" stroke-dasharray=\"3 2\"/>",
            'text' => self::word($x, $y, $text),
            default => throw new LogicException("no stroke: {$stroke}"),
        };
    }

    /** @param list<list<float>> $points */
    private static function line(array $points, string $style): string
    {
        return '<polyline points="'.
            implode(' ', array_map(static fn (array $p): string => implode(',', $p), $points)).
            "\" {$style}/>";
    }

    /** @param list<list<float>> $points two of them */
    private static function measure(array $points, string $text): string
    {
        [[$x1, $y1], [$x2, $y2]] = $points;
        // A height is measured beside what rises, a length under what runs.
        [$x, $y] =
            abs($x2 - $x1) > abs($y2 - $y1)
                ? [($x1 + $x2) / 2 - 8, max($y1, $y2) + 13]
                : [$x1 + 5, ($y1 + $y2) / 2 + 4];

        return self::line($points, 'stroke="#111" stroke-width="1"').
            "<circle cx=\"{$x1}\" cy=\"{$y1}\" r=\"2\" fill=\"#111\"/><circle cx=\"{$x2}\" cy=\"{$y2}\" r=\"2\" fill=\"#111\"/>".
            self::word($x, $y, $text);
    }

    /** @param list<list<float>> $points */
    private static function tip(array $points): string
    {
        [$x, $y] = $points[count($points) - 1];

        return "<path d=\"M{$x} {$y} l-8 -4 v8 z\" fill=\"#111\"/>";
    }

    private static function word(float $x, float $y, string $text): string
    {
        return $text === '' ? '' : "<text x=\"{$x}\" y=\"{$y}\" fill=\"#111\">{$text}</text>";
    }

    private static function text(string $text): string
    {
        return htmlspecialchars($text, ENT_XML1 | ENT_QUOTES);
    }
}
