<?php

declare(strict_types=1);

namespace FallBend\Core\MakeUp;

use FallBend\Core\Geometry\Vec3;

/** Something that stands in the way: a box along the axes, in mm. */
final readonly class Box
{
    /** How often the distance from a leg is halved in: to less than a hundredth of a mm on 100 m. */
    private const STEPS = 48;

    public function __construct(public Vec3 $min, public Vec3 $max, public string $what) {}

    /**
     * Gives the distance from a straight line between two points to the box, in mm; 0 where the line touches it. The
     * distance along a line is convex, so thirds close in on the least.
     */
    public function distanceTo(Vec3 $a, Vec3 $b): float
    {
        [$low, $high] = [0.0, 1.0];
        for ($i = 0; $i < self::STEPS; $i++) {
            $one = $low + ($high - $low) / 3;
            $two = $high - ($high - $low) / 3;
            if ($this->square($a, $b, $one) <= $this->square($a, $b, $two)) {
                $high = $two;
            } else {
                $low = $one;
            }
        }

        return sqrt(
            min($this->square($a, $b, ($low + $high) / 2), $this->square($a, $b, 0.0), $this->square($a, $b, 1.0)),
        );
    }

    /** Whether a straight line between two points comes nearer to the box than so many mm. */
    public function isNearer(Vec3 $a, Vec3 $b, float $mm): bool
    {
        $isFar =
            max($a->x, $b->x) + $mm < $this->min->x ||
            min($a->x, $b->x) - $mm > $this->max->x ||
            max($a->y, $b->y) + $mm < $this->min->y ||
            min($a->y, $b->y) - $mm > $this->max->y ||
            max($a->z, $b->z) + $mm < $this->min->z ||
            min($a->z, $b->z) - $mm > $this->max->z;

        return ! $isFar && $this->distanceTo($a, $b) < $mm;
    }

    /** Gives the square of the distance from the point that lies so far along the line, from 0 to 1. */
    private function square(Vec3 $a, Vec3 $b, float $along): float
    {
        $x = $a->x + ($b->x - $a->x) * $along;
        $y = $a->y + ($b->y - $a->y) * $along;
        $z = $a->z + ($b->z - $a->z) * $along;
        $dx = max($this->min->x - $x, 0.0, $x - $this->max->x);
        $dy = max($this->min->y - $y, 0.0, $y - $this->max->y);
        $dz = max($this->min->z - $z, 0.0, $z - $this->max->z);

        return $dx * $dx + $dy * $dy + $dz * $dz;
    }
}
