<?php

declare(strict_types=1);

namespace FallBend\Core\Geometry;

use FallBend\Core\Measure\Tolerance;

/**
 * How far a bend is rolled about the pipe that it is on: from the plane of the bend before it, or, for the first bend,
 * from straight up (from north where that pipe is upright). 0 = turns the same way; clockwise positive looking
 * downstream; above −180 to 180.
 */
final class Roll
{
    /**
     * @param ?Vec3 $before direction into the bend before, or null for the first bend
     * @param Vec3 $in direction into this bend
     * @param Vec3 $out direction out of this bend
     * @return float degrees
     */
    public static function between(?Vec3 $before, Vec3 $in, Vec3 $out): float
    {
        $turnsTo = $out->squareTo($in);
        $from = $before?->times(-1.0)->squareTo($in) ?? self::reference($in);
        if ($turnsTo === null || $from === null) {
            return 0.0;
        }
        $deg = rad2deg(atan2($in->dot($from->cross($turnsTo)), $from->dot($turnsTo)));

        return $deg <= -180.0 + Tolerance::ROUNDING ? 180.0 : $deg;
    }

    /**
     * Gives how far a branch fitting is rolled about its run: from where its branch lies level up to where it looks,
     * degrees; 0 on an upright run.
     *
     * @param Vec3 $in direction of flow in the branch
     * @param Vec3 $flow of the run
     */
    public static function upFromLevel(Vec3 $in, Vec3 $flow): float
    {
        [$out, $up] = [$in->times(-1.0)->squareTo($flow), Vec3::up()->squareTo($flow)];

        return $out === null || $up === null ? 0.0 : 90.0 - $out->angleTo($up);
    }

    /**
     * Gives the signed length round the outside of a pipe for a roll: mm for degrees and the outside diameter in mm.
     */
    public static function markMm(float $rollDeg, float $outsideMm): float
    {
        return (deg2rad($rollDeg) * $outsideMm) / 2;
    }

    /** A leg steeper than 45° counts as upright and is rolled from north. */
    private static function reference(Vec3 $axis): ?Vec3
    {
        return (abs($axis->z) > M_SQRT1_2 ? Vec3::north() : Vec3::up())->squareTo($axis);
    }
}
