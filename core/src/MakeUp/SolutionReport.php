<?php

declare(strict_types=1);

namespace FallBend\Core\MakeUp;

use FallBend\Core\Catalog\PipeSystem;
use FallBend\Core\Geometry\Roll;
use FallBend\Core\Geometry\Vec3;

/**
 * Writes one way of making up pipe between two ends.
 *
 * @phpstan-type WayBend array{
 *     row: string,
 *     pattern: string,
 *     street: bool,
 *     name: string,
 *     turn_deg: float,
 *     nominal_deg: float,
 *     roll_deg: float,
 *     mark_mm: float,
 *     dial_deg: float,
 *     strain_deg: float,
 *     doubt_mm: float,
 * }
 * @phpstan-type WayLeg array{
 *     length_mm: float,
 *     cut_mm: ?float,
 *     fall_mm_per_m: ?float,
 *     heading_deg: float,
 *     dip_deg: float,
 * }
 * @phpstan-type Way array{
 *     points_mm: list<list<float>>,
 *     bends: list<WayBend>,
 *     legs: list<WayLeg>,
 *     cost: float,
 *     closes_within_mm: float,
 * }
 */
final class SolutionReport
{
    /** @return Way as the answers of `make-up` carry it */
    public static function write(Solution $solution, PipeSystem $system): array
    {
        $outside = $system->pipe($solution->sequence->problem->from->size)->outsideMm;
        $bends = [];
        foreach ($solution->bends() as $i => $bend) {
            $roll = $solution->rollDeg($i);
            $bends[] = [
                'row' => $bend->id,
                'pattern' => $bend->pattern,
                'street' => $bend->isStreet,
                'name' => $bend->name,
                'turn_deg' => $bend->turnDeg,
                'nominal_deg' => $bend->nominalDeg,
                'roll_deg' => $roll,
                'mark_mm' => Roll::markMm($roll, $outside),
                'dial_deg' => $solution->dialDeg($i),
                'strain_deg' => $solution->strainDeg($i),
                'doubt_mm' => $bend->doubtMm,
            ];
        }
        $legs = [];
        foreach ($solution->directions as $i => $u) {
            $level = sqrt(max(0.0, 1 - $u->z ** 2));
            $legs[] = [
                'length_mm' => $solution->lengths[$i],
                'cut_mm' => $solution->cutMm($i),
                'fall_mm_per_m' => $level < M_SQRT1_2 ? null : (-$u->z / $level) * 1000,
                'heading_deg' => $u->headingDeg(),
                'dip_deg' => $u->dipDeg(),
            ];
        }

        return [
            'points_mm' => array_map(static fn (Vec3 $p): array => [$p->x, $p->y, $p->z], $solution->points),
            'bends' => $bends,
            'legs' => $legs,
            'cost' => $solution->cost(),
            'closes_within_mm' => $solution->missMm,
        ];
    }
}
