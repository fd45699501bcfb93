<?php

declare(strict_types=1);

namespace FallBend\Core\Drawing;

use FallBend\Core\Geometry\Vec3;
use FallBend\Core\Layout\RunLayout;
use FallBend\Core\Measure\Tolerance;

/**
 * A run seen from above (x east, y north), along its length (x along the tape in plan, y up), or at 30°
 * (isometric: east to the lower right, north to the upper right, up is up).
 */
final readonly class RunViews
{
    public const VIEWS = ['plan', 'section', 'isometric'];

    private const WORD_MM = 40.0;

    public function __construct(private RunLayout $layout) {}

    /** @param string $view one of VIEWS */
    public function drawing(string $view): LineDrawing
    {
        $drawing = new LineDrawing;
        foreach ($this->layout->pieces as $piece) {
            [$a, $b] = [$this->at($view, $piece->leg, $piece->from), $this->at($view, $piece->leg, $piece->to())];
            $drawing->line('PIPE-CENTRE', $a, $b);
            $this->outline($drawing, $a, $b, $this->layout->system->pipe($piece->size)->outsideMm / 2);
            $drawing->word('MARK', [($a[0] + $b[0]) / 2, ($a[1] + $b[1]) / 2], self::WORD_MM, $piece->letter);
        }
        foreach ($this->layout->fittings as $fitting) {
            $at = $this->at($view, $fitting->leg, $fitting->at);
            $drawing->line(
                'FITTING',
                $this->at($view, max(1, $fitting->leg - 1), $fitting->at->minus($fitting->in->times($fitting->intoMm))),
                $at,
            );
            $drawing->line(
                'FITTING',
                $at,
                $this->at($view, $fitting->leg, $fitting->at->plus($fitting->out->times($fitting->outOfMm))),
            );
        }
        foreach ($this->layout->joints as $joint) {
            $at = $this->at($view, $joint->leg, $joint->at);
            $drawing->circle('JOINT', $at, $this->layout->system->pipe($joint->size)->outsideMm / 4);
            $drawing->word('MARK', $at, self::WORD_MM, $joint->mark);
        }

        return $drawing;
    }

    /**
     * @param array{float, float} $a
     * @param array{float, float} $b
     */
    private function outline(LineDrawing $drawing, array $a, array $b, float $half): void
    {
        $length = hypot($b[0] - $a[0], $b[1] - $a[1]);
        if ($length < Tolerance::SUM) {
            $drawing->circle('PIPE-OUTLINE', $a, $half);

            return;
        }
        [$nx, $ny] = [(-($b[1] - $a[1]) / $length) * $half, (($b[0] - $a[0]) / $length) * $half];
        foreach ([1, -1] as $side) {
            $drawing->line(
                'PIPE-OUTLINE',
                [$a[0] + $side * $nx, $a[1] + $side * $ny],
                [$b[0] + $side * $nx, $b[1] + $side * $ny],
            );
        }
    }

    /** @return array{float, float} */
    private function at(string $view, int $leg, Vec3 $point): array
    {
        return match ($view) {
            'plan' => [$point->x, $point->y],
            'isometric' => [
                ($point->x + $point->y) * cos(deg2rad(30.0)),
                ($point->y - $point->x) * sin(deg2rad(30.0)) + $point->z,
            ],
            default => [$this->along($leg, $point), $point->z],
        };
    }

    /** How far along the run in plan. */
    private function along(int $number, Vec3 $point): float
    {
        $along = 0.0;
        foreach ($this->layout->legs as $leg) {
            $u = $leg->line->direction;
            $plan = hypot($u->x, $u->y);
            if ($leg->line->number >= $number) {
                return $along +
                    ($plan < Tolerance::ROUNDING
                        ? 0.0
                        : (($point->x - $leg->from->x) * $u->x + ($point->y - $leg->from->y) * $u->y) / $plan);
            }
            $along += $leg->centreMm * $plan;
        }

        return $along;
    }
}
