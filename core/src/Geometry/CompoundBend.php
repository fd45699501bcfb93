<?php

declare(strict_types=1);

namespace FallBend\Core\Geometry;

use FallBend\Core\Measure\Tolerance;

/**
 * Two bends rolled against each other. With a and b their turns and φ the roll of the second (0 = turns the same way),
 * the whole turn θ is
 * cos θ = cos a cos b − sin a sin b cos φ: the spherical law of cosines for the triangle of the three directions of
 * flow.
 * Computed in half angles, which keeps it exact at the ends: sin²(θ/2) = sin²((a+b)/2) − sin a sin b sin²(φ/2).
 */
final readonly class CompoundBend
{
    /**
     * @param float $firstDeg turn of the first bend, above 0, below 180
     * @param float $secondDeg turn of the second bend, above 0, below 180
     */
    public function __construct(public float $firstDeg, public float $secondDeg) {}

    /** Gives the whole turn in degrees for a roll in degrees. */
    public function turnDeg(float $rollDeg): float
    {
        [$a, $b] = [deg2rad($this->firstDeg), deg2rad($this->secondDeg)];
        $square = sin(($a + $b) / 2) ** 2 - sin($a) * sin($b) * sin(deg2rad($rollDeg) / 2) ** 2;

        return rad2deg(2 * asin(sqrt(max(0.0, min(1.0, $square)))));
    }

    /** Gives the positive roll in degrees (0 to 180) that makes the whole turn, or null outside the span. */
    public function rollDeg(float $turnDeg): ?float
    {
        if (! $this->reaches($turnDeg)) {
            return null;
        }
        [$a, $b] = [deg2rad($this->firstDeg), deg2rad($this->secondDeg)];
        $square = (sin(($a + $b) / 2) ** 2 - sin(deg2rad($turnDeg) / 2) ** 2) / (sin($a) * sin($b));

        return rad2deg(2 * asin(sqrt(max(0.0, min(1.0, $square)))));
    }

    /** @return array{float, float} the least and the greatest whole turn, in degrees */
    public function spanDeg(): array
    {
        $sum = $this->firstDeg + $this->secondDeg;

        return [abs($this->firstDeg - $this->secondDeg), $sum <= 180 ? $sum : 360 - $sum];
    }

    /** Whether a whole turn lies in the span, to within a billionth of a degree. */
    public function reaches(float $turnDeg): bool
    {
        [$least, $most] = $this->spanDeg();

        return $turnDeg >= $least - Tolerance::ROUNDING && $turnDeg <= $most + Tolerance::ROUNDING;
    }
}
