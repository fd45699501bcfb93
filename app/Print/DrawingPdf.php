<?php

declare(strict_types=1);

namespace App\Print;

use FallBend\Core\Drawing\LineDrawing;

/** Prints line drawings, each on a page of its own laid across, at the largest usual scale at which it fits. */
final class DrawingPdf
{
    /** How many times smaller than full size. */
    private const SCALES = [1, 2, 5, 10, 15, 20, 25, 50, 75, 100, 150, 200, 250, 500, 1000, 2000, 5000];

    /** Width of the strokes in mm, grey, dash. */
    private const STROKES = [
        'PIPE-CENTRE' => [0.15, 0.43, [4.0, 1.2, 0.8, 1.2]],
        'PIPE-OUTLINE' => [0.45, 0.0, []],
        'FITTING' => [0.35, 0.0, []],
        'JOINT' => [0.35, 0.24, []],
    ];

    private const WORD_POINTS = 8.0;

    private const WORD_MM = 3.4;

    /** Where a word may stand from its spot: to the right and up, in mm; the first that is free. */
    private const BESIDE = [
        [1.2, 1.0],
        [-1.2, 1.0],
        [1.2, -4.6],
        [-1.2, -4.6],
        [1.2, 4.8],
        [-1.2, 4.8],
        [1.2, -8.4],
        [-1.2, -8.4],
        [1.2, 8.6],
        [-1.2, 8.6],
        [5.0, 1.0],
        [-5.0, 1.0],
        [5.0, -4.6],
        [-5.0, -4.6],
    ];

    private const PAD_MM = 10.0;

    /**
     * @param array<string, LineDrawing> $drawings by what stands over them
     * @param string $paper `A4` or `LETTER`
     * @param string $name of the run and its job
     */
    public static function print(array $drawings, string $paper, string $name): string
    {
        $sheets = new Paper($paper);
        self::pages($sheets, $drawings, $name);

        return $sheets->output();
    }

    /**
     * Puts each drawing on a page of its own, across.
     *
     * @param iterable<string, LineDrawing> $drawings by what stands over them
     */
    public static function pages(Paper $paper, iterable $drawings, string $name): void
    {
        foreach ($drawings as $title => $drawing) {
            $paper->addPage(isAcross: true);
            [$left, $top] = [Paper::MARGIN_MM, Paper::MARGIN_MM + 14];
            [$wide, $high] = [$paper->width() - 2 * $left, $paper->height() - $top - Paper::MARGIN_MM];
            [$x1, $y1, $x2, $y2] = $drawing->bounds();
            $scale = self::scale($x2 - $x1, $y2 - $y1, $wide - 2 * self::PAD_MM, $high - 2 * self::PAD_MM);
            $paper->words(new Box($left, Paper::MARGIN_MM, $wide), new Letters(13, true), "{$name}, {$title}");
            $paper->words(
                new Box($left, Paper::MARGIN_MM + 7, $wide),
                new Letters(8),
                "1 to {$scale}. Letters are pieces, numbers joints.",
            );
            $paper->rule(Paper::MARGIN_MM + 12);
            // In the middle of the page.
            $x0 = $left + ($wide - ($x2 - $x1) / $scale) / 2 - $x1 / $scale;
            $y0 = $top + ($high + ($y2 - $y1) / $scale) / 2 + $y1 / $scale;
            self::draw(
                $paper,
                $drawing,
                static fn (float $x, float $y): array => [$x0 + $x / $scale, $y0 - $y / $scale],
                $scale,
            );
        }
    }

    private static function scale(float $width, float $height, float $wide, float $high): int
    {
        foreach (self::SCALES as $scale) {
            if ($width / $scale <= $wide && $height / $scale <= $high) {
                return $scale;
            }
        }

        return (int) ceil(max($width / $wide, $height / $high) / 1000) * 1000;
    }

    /** @param callable(float, float): array{float, float} $at */
    private static function draw(Paper $paper, LineDrawing $drawing, callable $at, int $scale): void
    {
        $stroke = static fn (string $layer): Stroke => new Stroke(...self::STROKES[$layer]);
        foreach ($drawing->lines as [$layer, $ax, $ay, $bx, $by]) {
            $paper->line($at($ax, $ay), $at($bx, $by), $stroke($layer));
        }
        foreach ($drawing->circles as [$layer, $x, $y, $radius]) {
            $paper->circle($at($x, $y), max(0.5, $radius / $scale), $stroke($layer));
        }
        self::write($paper, $drawing, $at);
    }

    /**
     * Writes every word beside its spot, where none stands yet.
     *
     * @param callable(float, float): array{float, float} $at
     */
    private static function write(Paper $paper, LineDrawing $drawing, callable $at): void
    {
        $letters = new Letters(self::WORD_POINTS, true);
        $taken = [];
        foreach ($drawing->words as [, $x, $y, , $text]) {
            [$spot, $wide] = [$at($x, $y), $paper->widthOf($letters, $text) + 0.6];
            $boxes = array_map(
                static fn (array $beside): Box => new Box(
                    $spot[0] + ($beside[0] > 0 ? $beside[0] : $beside[0] - $wide),
                    $spot[1] - $beside[1] - self::WORD_MM,
                    $wide,
                    self::WORD_MM,
                ),
                self::BESIDE,
            );
            $free = array_values(array_filter($boxes, static fn (Box $box): bool => ! self::isTaken($box, $taken)));
            $taken[] = $box = $free[0] ?? $boxes[0];
            $paper->blank(new Box($box->x, $box->y + 0.3, $wide, self::WORD_MM - 0.4));
            $paper->text($box->x + 0.3, $box->y, $letters, $text);
        }
    }

    /** @param list<Box> $taken */
    private static function isTaken(Box $box, array $taken): bool
    {
        foreach ($taken as $other) {
            if ($box->meets($other)) {
                return true;
            }
        }

        return false;
    }
}
