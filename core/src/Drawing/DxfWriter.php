<?php

declare(strict_types=1);

namespace FallBend\Core\Drawing;

/**
 * Writes a drawing as DXF: ASCII, release 12 (AC1009), which every reader knows; millimetres at full size; the layers
 * of LineDrawing.
 */
final class DxfWriter
{
    /** Colours by number, in the order of the layers. */
    private const COLOURS = [7, 8, 3, 1, 1];

    /** Gives the text of the file, with CRLF. */
    public static function write(LineDrawing $drawing): string
    {
        [$x1, $y1, $x2, $y2] = $drawing->bounds();
        $codes = [
            [0, 'SECTION'],
            [2, 'HEADER'],
            [9, '$ACADVER'],
            [1, 'AC1009'],
            [9, '$INSUNITS'],
            [70, '4'],
            [9, '$EXTMIN'],
            [10, self::number($x1)],
            [20, self::number($y1)],
            [9, '$EXTMAX'],
            [10, self::number($x2)],
            [20, self::number($y2)],
            [0, 'ENDSEC'],
            [0, 'SECTION'],
            [2, 'TABLES'],
            [0, 'TABLE'],
            [2, 'LTYPE'],
            [70, '1'],
            [0, 'LTYPE'],
            [2, 'CONTINUOUS'],
            [70, '0'],
            [3, 'Solid line'],
            [72, '65'],
            [73, '0'],
            [40, '0.0'],
            [0, 'ENDTAB'],
            [0, 'TABLE'],
            [2, 'LAYER'],
            [70, (string) count(LineDrawing::LAYERS)],
        ];
        foreach (array_keys(LineDrawing::LAYERS) as $n => $layer) {
            array_push(
                $codes,
                [0, 'LAYER'],
                [2, $layer],
                [70, '0'],
                [62, (string) self::COLOURS[$n]],
                [6, 'CONTINUOUS'],
            );
        }
        array_push($codes, [0, 'ENDTAB'], [0, 'ENDSEC'], [0, 'SECTION'], [2, 'ENTITIES']);
        foreach ($drawing->lines as [$layer, $ax, $ay, $bx, $by]) {
            array_push(
                $codes,
                [0, 'LINE'],
                [8, $layer],
                [10, self::number($ax)],
                [20, self::number($ay)],
                [30, '0.0'],
                [11, self::number($bx)],
                [21, self::number($by)],
                [31, '0.0'],
            );
        }
        foreach ($drawing->circles as [$layer, $x, $y, $radius]) {
            array_push(
                $codes,
                [0, 'CIRCLE'],
                [8, $layer],
                [10, self::number($x)],
                [20, self::number($y)],
                [30, '0.0'],
                [40, self::number($radius)],
            );
        }
        foreach ($drawing->words as [$layer, $x, $y, $height, $text]) {
            array_push(
                $codes,
                [0, 'TEXT'],
                [8, $layer],
                [10, self::number($x)],
                [20, self::number($y)],
                [30, '0.0'],
                [40, self::number($height)],
                [1, $text],
            );
        }
        array_push($codes, [0, 'ENDSEC'], [0, 'EOF']);

        return implode(
            '',
            array_map(static fn (array $code): string => sprintf("%3d\r\n%s\r\n", $code[0], $code[1]), $codes),
        );
    }

    private static function number(float $value): string
    {
        return sprintf('%.6F', $value);
    }
}
