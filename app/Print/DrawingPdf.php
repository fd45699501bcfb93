<?php

declare(strict_types=1);

namespace App\Print;

use FallBend\Core\Drawing\LineDrawing;
use TCPDF;

/** Prints line drawings, each on a page of its own laid across, at the largest usual scale at which it fits. */
final class DrawingPdf
{
    /** How many times smaller than full size. */
    private const SCALES = [1, 2, 5, 10, 15, 20, 25, 50, 75, 100, 150, 200, 250, 500, 1000, 2000, 5000];

    /** Width of the strokes in mm, grey from 0, dash. */
    private const STROKES = [
        'PIPE-CENTRE' => [0.15, 110, '4,1.2,0.8,1.2'],
        'PIPE-OUTLINE' => [0.45, 0, 0],
        'FITTING' => [0.35, 0, 0],
        'JOINT' => [0.35, 60, 0],
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
        $pdf = Paper::sheet($paper, 'L');
        self::pages($pdf, $drawings, $name);

        return $pdf->Output('drawing.pdf', 'S');
    }

    /**
     * Puts each drawing on a page of its own, across.
     *
     * @param array<string, LineDrawing> $drawings by what stands over them
     */
    public static function pages(TCPDF $pdf, array $drawings, string $name): void
    {
        foreach ($drawings as $title => $drawing) {
            $pdf->AddPage('L');
            [$left, $top, $wide] = [
                Paper::MARGIN_MM,
                Paper::MARGIN_MM + 14,
                $pdf->getPageWidth() - 2 * Paper::MARGIN_MM,
            ];
            $high = $pdf->getPageHeight() - $top - Paper::MARGIN_MM;
            [$x1, $y1, $x2, $y2] = $drawing->bounds();
            $scale = self::scale($x2 - $x1, $y2 - $y1, $wide - 2 * self::PAD_MM, $high - 2 * self::PAD_MM);
            Paper::words($pdf, $left, Paper::MARGIN_MM, $wide * 0.7, 13, "{$name}, {$title}", 'B');
            Paper::words(
                $pdf,
                $left,
                Paper::MARGIN_MM + 7,
                $wide,
                8,
                "1 to {$scale}. Letters are pieces, numbers joints.",
            );
            Paper::rule($pdf, Paper::MARGIN_MM + 12);
            // In the middle of the page.
            $x0 = $left + ($wide - ($x2 - $x1) / $scale) / 2 - $x1 / $scale;
            $y0 = $top + ($high + ($y2 - $y1) / $scale) / 2 + $y1 / $scale;
            self::draw(
                $pdf,
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
    private static function draw(TCPDF $pdf, LineDrawing $drawing, callable $at, int $scale): void
    {
        $stroke = static fn (string $layer): array => [
            'width' => self::STROKES[$layer][0],
            'dash' => self::STROKES[$layer][2],
            'color' => array_fill(0, 3, self::STROKES[$layer][1]),
        ];
        foreach ($drawing->lines as [$layer, $ax, $ay, $bx, $by]) {
            [$a, $b] = [$at($ax, $ay), $at($bx, $by)];
            $pdf->Line($a[0], $a[1], $b[0], $b[1], $stroke($layer));
        }
        foreach ($drawing->circles as [$layer, $x, $y, $radius]) {
            [$cx, $cy] = $at($x, $y);
            $pdf->Circle($cx, $cy, max(0.5, $radius / $scale), 0, 360, 'D', $stroke($layer));
        }
        self::write($pdf, $drawing, $at);
    }

    /**
     * Writes every word beside its spot, where none stands yet.
     *
     * @param callable(float, float): array{float, float} $at
     */
    private static function write(TCPDF $pdf, LineDrawing $drawing, callable $at): void
    {
        $pdf->setFont(Paper::FONT, 'B', self::WORD_POINTS);
        $taken = [];
        foreach ($drawing->words as [, $x, $y, , $text]) {
            [$spot, $wide] = [$at($x, $y), $pdf->GetStringWidth($text) + 0.6];
            $boxes = array_map(
                static fn (array $beside): array => [
                    $spot[0] + ($beside[0] > 0 ? $beside[0] : $beside[0] - $wide),
                    $spot[1] - $beside[1] - self::WORD_MM,
                    $wide,
                    self::WORD_MM,
                ],
                self::BESIDE,
            );
            $free = array_values(array_filter($boxes, static fn (array $box): bool => ! self::isTaken($box, $taken)));
            $taken[] = $box = $free[0] ?? $boxes[0];
            $pdf->Rect($box[0], $box[1] + 0.3, $wide, self::WORD_MM - 0.4, 'F', [], [255, 255, 255]);
            $pdf->Text($box[0] + 0.3, $box[1], $text);
        }
    }

    /**
     * @param array{float, float, float, float} $box
     * @param list<array{float, float, float, float}> $taken
     */
    private static function isTaken(array $box, array $taken): bool
    {
        foreach ($taken as $other) {
            if (
                $box[0] < $other[0] + $other[2] &&
                $other[0] < $box[0] + $box[2] &&
                $box[1] < $other[1] + $other[3] &&
                $other[1] < $box[1] + $box[3]
            ) {
                return true;
            }
        }

        return false;
    }
}
