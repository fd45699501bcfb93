<?php

declare(strict_types=1);

namespace FallBend\Core\Layout;

use FallBend\Core\Catalog\Bend;
use FallBend\Core\Geometry\CompoundBend;
use FallBend\Core\Geometry\Vec3;
use FallBend\Core\Measure\Tolerance;

/** Finds the direction between two bends that are rolled so that together they turn one direction into another. */
final class PairFinder
{
    /**
     * Of the two mirrored solutions gives the one that falls; where both fall alike, the one on the clockwise side of
     * the flow.
     * With the directions in (d₁) and out (d₂) at angle θ, the direction between is α·d₁ + β·d₂ ± γ·n, n square to
     * both:
     * α + β cos θ = cos a, α cos θ + β = cos b, α² + β² + 2αβ cos θ + γ² = 1.
     *
     * @return ?Vec3 null where the pair does not reach the angle or the plane of the turn is not determined
     */
    public static function between(Vec3 $in, Vec3 $out, float $firstDeg, float $secondDeg): ?Vec3
    {
        $normal = $in->cross($out)->unit();
        if ($normal === null || ! (new CompoundBend($firstDeg, $secondDeg))->reaches($in->angleTo($out))) {
            return null;
        }
        $cos = $in->dot($out);
        $square = 1 - $cos * $cos;
        $alpha = (cos(deg2rad($firstDeg)) - $cos * cos(deg2rad($secondDeg))) / $square;
        $beta = (cos(deg2rad($secondDeg)) - $cos * cos(deg2rad($firstDeg))) / $square;
        $gamma = sqrt(max(0.0, 1 - $alpha ** 2 - $beta ** 2 - 2 * $alpha * $beta * $cos));
        $inPlane = $in->times($alpha)->plus($out->times($beta));

        return $inPlane->plus($normal->times($normal->z > Tolerance::ROUNDING ? -$gamma : $gamma))->unit();
    }

    /**
     * Gives the pair of a list of bends that reaches the angle with the gentlest bends: the lesser greatest turn, then
     * the lesser sum, then the shorter.
     *
     * @param list<Bend> $bends
     * @return array{Bend, Bend}|null
     */
    public static function gentlest(array $bends, float $angleDeg): ?array
    {
        $best = null;
        $bestRank = null;
        foreach ($bends as $first) {
            foreach ($bends as $second) {
                if (! (new CompoundBend($first->turnDeg, $second->turnDeg))->reaches($angleDeg)) {
                    continue;
                }
                $rank = [
                    max($first->turnDeg, $second->turnDeg),
                    $first->turnDeg + $second->turnDeg,
                    $first->outletMm() + $second->takeOffMm,
                ];
                if ($bestRank === null || $rank < $bestRank) {
                    [$best, $bestRank] = [[$first, $second], $rank];
                }
            }
        }

        return $best;
    }
}
