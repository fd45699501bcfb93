<?php

declare(strict_types=1);

namespace FallBend\Core\Drawing;

/** Writes a drawing as SVG: one unit is a millimetre, one group for every layer, y turned over. */
final class SvgWriter
{
    private const PAD_MM = 80.0;

    private const STYLES = [
        'PIPE-CENTRE' => 'stroke="#444" stroke-width="2" stroke-dasharray="30 8 6 8"',
        'PIPE-OUTLINE' => 'stroke="#111" stroke-width="4"',
        'FITTING' => 'stroke="#111" stroke-width="3"',
        'JOINT' => 'stroke="#b21" stroke-width="3"',
        'MARK' => 'fill="#b21"',
    ];

    /**
     * Gives the text of the file.
     *
     * @param string $title of the drawing, any words
     */
    public static function write(LineDrawing $drawing, string $title): string
    {
        [$x1, $y1, $x2, $y2] = $drawing->bounds();
        [$left, $top, $width, $height] = [
            $x1 - self::PAD_MM,
            -$y2 - self::PAD_MM,
            $x2 - $x1 + 2 * self::PAD_MM,
            $y2 - $y1 + 2 * self::PAD_MM,
        ];
        $groups = '';
        foreach (array_keys(LineDrawing::LAYERS) as $layer) {
            $drawn = '';
            foreach ($drawing->lines as [$of, $ax, $ay, $bx, $by]) {
                $drawn .= $of === $layer ? sprintf('<path d="M%.3F %.3FL%.3F %.3F"/>', $ax, -$ay, $bx, -$by) : '';
            }
            foreach ($drawing->circles as [$of, $x, $y, $radius]) {
                $drawn .= $of === $layer ? sprintf('<circle cx="%.3F" cy="%.3F" r="%.3F"/>', $x, -$y, $radius) : '';
            }
            foreach ($drawing->words as [$of, $x, $y, $size, $text]) {
                $drawn .=
                    $of === $layer
                        ? sprintf(
                            '<text x="%.3F" y="%.3F" font-size="%.1F">%s</text>',
                            $x,
                            -$y,
                            $size,
                            self::escaped($text),
                        )
                        : '';
            }
            $groups .= "<g id=\"{$layer}\" ".self::STYLES[$layer].">{$drawn}</g>\n";
        }

        return sprintf(
            "<?xml version=\"1.0\" encoding=\"UTF-8\"?>\n<svg xmlns=\"http://www.w3.org/2000/svg\" width=\"%.3Fmm\" height=\"%.3Fmm\" viewBox=\"%.3F %.3F %.3F %.3F\" fill=\"none\" font-family=\"sans-serif\">\n<title>%s</title>\n%s</svg>\n",
            $width,
            $height,
            $left,
            $top,
            $width,
            $height,
            self::escaped($title),
            $groups,
        );
    }

    /**
     * XML has no place for control characters, not even escaped: what stands in a name shows as a replacement
     * character.
     */
    private static function escaped(string $text): string
    {
        return htmlspecialchars($text, ENT_XML1 | ENT_DISALLOWED | ENT_SUBSTITUTE);
    }
}
