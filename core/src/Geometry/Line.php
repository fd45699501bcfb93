<?php

declare(strict_types=1);

namespace FallBend\Core\Geometry;

/** A straight line y = at0 + slope · x. */
final readonly class Line
{
    /** Values of x that are nearer than this are one. */
    private const SAME = 1e-9;

    private function __construct(public float $slope, public float $at0) {}

    /**
     * Gives the line that lies nearest to points (least squares of what it misses in y); null where they have fewer
     * than two values of x.
     *
     * @param list<float> $x
     * @param list<float> $y as many
     */
    public static function through(array $x, array $y): ?self
    {
        $count = count($x);
        if ($count < 2 || max($x) - min($x) < self::SAME) {
            return null;
        }
        [$middle, $height] = [array_sum($x) / $count, array_sum($y) / $count];
        [$square, $product] = [0.0, 0.0];
        foreach ($x as $i => $at) {
            $square += ($at - $middle) ** 2;
            $product += ($at - $middle) * ($y[$i] - $height);
        }
        $slope = $product / $square;

        return new self($slope, $height - $slope * $middle);
    }

    /** Gives y at x. */
    public function at(float $x): float
    {
        return $this->at0 + $this->slope * $x;
    }
}
