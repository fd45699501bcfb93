<?php

declare(strict_types=1);

namespace App\Print;

use TCPDF;

/**
 * A clean sheet of A4 or Letter without anything that the library puts on by itself, in letters that know every
 * alphabet.
 */
final class Paper
{
    public const MARGIN_MM = 14.0;

    public const FONT = 'dejavusanscondensed';

    /**
     * @param string $paper `A4` or `LETTER`
     * @param string $way `P` upright or `L` across
     */
    public static function sheet(string $paper, string $way): TCPDF
    {
        $pdf = new class ($way, 'mm', $paper, true, 'UTF-8') extends TCPDF {
            public function __construct(string $way, string $unit, string $paper, bool $isUnicode, string $encoding)
            {
                parent::__construct($way, $unit, $paper, $isUnicode, $encoding);
                // The library writes its name on the last page otherwise.
                $this->tcpdflink = false;
            }
        };
        $pdf->setPrintHeader(false);
        $pdf->setPrintFooter(false);
        $pdf->setMargins(0, 0);
        $pdf->setCellPadding(0);
        $pdf->setAutoPageBreak(false);
        $pdf->setCreator('Fall Bend');
        // No viewer is to fit it to the page.
        $pdf->setViewerPreferences(['PrintScaling' => 'None']);

        return $pdf;
    }

    /**
     * Writes words at a place, their upper left corner; gives how high they stand, in mm. What is too wide goes on
     * below.
     */
    public static function words(
        TCPDF $pdf,
        float $x,
        float $y,
        float $width,
        float $points,
        string $text,
        string $style = '',
    ): float {
        $pdf->setFont(self::FONT, $style, $points);
        $before = $pdf->getPage();
        $pdf->MultiCell($width, 0, $text, 0, 'L', false, 1, $x, $y);

        return $pdf->getPage() === $before ? $pdf->GetY() - $y : 0.0;
    }

    /** Draws a thin line across. */
    public static function rule(TCPDF $pdf, float $y, float $width = 0.2): void
    {
        $pdf->setLineStyle(['width' => $width, 'dash' => 0, 'color' => [0, 0, 0]]);
        $pdf->Line(self::MARGIN_MM, $y, $pdf->getPageWidth() - self::MARGIN_MM, $y);
    }
}
