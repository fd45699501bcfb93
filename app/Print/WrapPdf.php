<?php

declare(strict_types=1);

namespace App\Print;

use FallBend\Core\MakeUp\WrapTemplate;
use TCPDF;

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
        $pdf = Paper::sheet($paper, 'L');
        $y = INF;
        foreach ($templates as $template) {
            $rows = $template->rows($pdf->getPageWidth() - 2 * self::MARGIN_MM);
            foreach ($rows as $i => [$from, $to]) {
                if ($y + $template->heightMm + 8 > $pdf->getPageHeight() - self::MARGIN_MM) {
                    $pdf->AddPage();
                    $y = self::MARGIN_MM;
                }
                self::row($pdf, $template, $from, $to, $y);
                $pdf->setFont('helvetica', '', 7);
                $pdf->Text(
                    self::MARGIN_MM,
                    $y + $template->heightMm + 1,
                    "{$template->name}, strip ".
                        ($i + 1).
                        ' of '.
                        count($rows).
                        '. Print at 100 %. The ticks along the upper edge are true: check them with a tape.',
                );
                $y += $template->heightMm + 10;
            }
        }

        return $pdf->Output('wrap.pdf', 'S');
    }

    private static function row(TCPDF $pdf, WrapTemplate $template, float $from, float $to, float $top): void
    {
        $pdf->StartTransform();
        $pdf->Rect(self::MARGIN_MM - 0.5, $top - 0.5, $to - $from + 1, $template->heightMm + 1, 'CNZ');
        foreach ($template->lines as [$kind, $x1, $y1, $x2, $y2]) {
            $pdf->setLineStyle([
                'width' => self::WIDTHS[$kind],
                'dash' => $kind === 'lap' ? '1.5,1.2' : 0,
                'color' => [0, 0, 0],
            ]);
            $pdf->Line(
                self::MARGIN_MM + $x1 - $from,
                $top + $template->heightMm - $y1,
                self::MARGIN_MM + $x2 - $from,
                $top + $template->heightMm - $y2,
            );
        }
        foreach ($template->texts as [$x, $y, $high, $words]) {
            // A point is 0.3528 mm; letters stand about 0.72 of their size high.
            $pdf->setFont('helvetica', '', $high / 0.3528);
            $pdf->Text(self::MARGIN_MM + $x - $from, $top + $template->heightMm - $y - $high, $words);
        }
        $pdf->StopTransform();
    }
}
