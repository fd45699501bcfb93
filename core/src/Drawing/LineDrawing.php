<?php

declare(strict_types=1);

namespace FallBend\Core\Drawing;

/** A drawing of lines, circles and words on layers, in millimetres at full size, y upward. */
final class LineDrawing
{
    /** Layers, and what lies on them. */
    public const LAYERS = [
        'PIPE-CENTRE' => 'axes of the pieces',
        'PIPE-OUTLINE' => 'outsides of the pieces',
        'FITTING' => 'axes of the fittings, stop to stop',
        'JOINT' => 'joints, as circles',
        'MARK' => 'letters of the pieces and numbers of the joints',
    ];

    /** @var list<array{string, float, float, float, float}> layer, from, to */
    public array $lines = [];

    /** @var list<array{string, float, float, float}> layer, centre, radius */
    public array $circles = [];

    /** @var list<array{string, float, float, float, string}> layer, where it begins, height, words */
    public array $words = [];

    /**
     * @param array{float, float} $a
     * @param array{float, float} $b
     */
    public function line(string $layer, array $a, array $b): void
    {
        $this->lines[] = [$layer, $a[0], $a[1], $b[0], $b[1]];
    }

    /** @param array{float, float} $at */
    public function circle(string $layer, array $at, float $radius): void
    {
        $this->circles[] = [$layer, $at[0], $at[1], $radius];
    }

    /** @param array{float, float} $at */
    public function word(string $layer, array $at, float $height, string $text): void
    {
        $this->words[] = [$layer, $at[0], $at[1], $height, $text];
    }

    /** @return array{float, float, float, float} least and most of x and y of all that is drawn */
    public function bounds(): array
    {
        [$xs, $ys] = [[0.0], [0.0]];
        foreach ($this->lines as [, $ax, $ay, $bx, $by]) {
            array_push($xs, $ax, $bx);
            array_push($ys, $ay, $by);
        }
        foreach ($this->circles as [, $x, $y, $radius]) {
            array_push($xs, $x - $radius, $x + $radius);
            array_push($ys, $y - $radius, $y + $radius);
        }

        return [min($xs), min($ys), max($xs), max($ys)];
    }
}
