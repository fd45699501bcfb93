<?php

declare(strict_types=1);

namespace App\Print;

use FallBend\Core\MakeUp\WrapTemplate;

/**
 * Prints wrap strips in full size on A4 or Letter, laid across; what is wider than the paper goes in rows, to be joined
 * edge to edge.
 */
final class WrapPdf
{
    private const MARGIN_MM = 12.0;

    private const WIDTHS = [
        'edge' => 0.3,
        'lap' => 0.2,
        'depth' => 0.4,
        'witness' => 0.9,
        'roll' => 0.9,
        'tick' => 0.2,
    ];

    /**
     * @param list<WrapTemplate> $templates
     * @param string $paper `A4` or `LETTER`
     */
    public static function print(array $templates, string $paper): string
    {
        $sheets = new Paper($paper);
        $y = INF;
        foreach ($templates as $template) {
            $rows = $template->rows($sheets->longMm() - 2 * self::MARGIN_MM);
            foreach ($rows as $i => $row) {
                if ($y + $template->heightMm + 8 > $sheets->height() - self::MARGIN_MM) {
                    $sheets->addPage(isAcross: true);
                    $y = self::MARGIN_MM;
                }
                self::row($sheets, $template, $row, $y);
                $sheets->text(
                    self::MARGIN_MM,
                    $y + $template->heightMm + 1,
                    new Letters(7),
                    "{$template->name}, strip ".
                        ($i + 1).
                        ' of '.
                        count($rows).
                        '. Print at 100 %. The ticks along the upper edge are true: check them with a tape.',
                );
                $y += $template->heightMm + 10;
            }
        }

        return $sheets->output();
    }

    /** @param array{float, float} $row from where to where round the pipe */
    private static function row(Paper $sheets, WrapTemplate $template, array $row, float $top): void
    {
        [$from, $to] = $row;
        $at = static fn (float $x, float $y): array => [
            self::MARGIN_MM + $x - $from,
            $top + $template->heightMm - $y,
        ];
        $place = new Box(self::MARGIN_MM - 0.5, $top - 0.5, $to - $from + 1, $template->heightMm + 1);
        $sheets->within($place, static function () use ($sheets, $template, $at): void {
            foreach ($template->lines as [$kind, $x1, $y1, $x2, $y2]) {
                $dash = $kind === 'lap' ? [1.5, 1.2] : [];
                $sheets->line($at($x1, $y1), $at($x2, $y2), new Stroke(self::WIDTHS[$kind], 0.0, $dash));
            }
            foreach ($template->texts as [$x, $y, $high, $words]) {
                [$left, $foot] = $at($x, $y);
                $sheets->text($left, $foot - $high, new Letters($high / Paper::POINT_MM), $words);
            }
        });
    }
}
