<?php

declare(strict_types=1);

namespace FallBend\Core\Network;

use FallBend\Core\Catalog\Rulebook;
use FallBend\Core\Geometry\Vec3;
use FallBend\Core\Job\Obstacle;
use FallBend\Core\Job\ObstacleKind;
use FallBend\Core\Layout\JobLayout;
use FallBend\Core\Layout\LegLaid;
use FallBend\Core\Layout\RunLayout;

/**
 * The drilling plan: where every pipe goes through what, how large the hole, and how far down it, as the fall of the
 * leg carries it from the first to the last.
 */
final class Crossings
{
    /** A leg that gets no further ahead than this runs along the thing, not through it. */
    private const SQUARE_MM = 0.01;

    /**
     * @param array<string, list<Obstacle>> $obstacles by id of a run of the layout
     * @return list<Crossing> in the order of the runs and their tapes
     */
    public static function find(JobLayout $jobLayout, array $obstacles, Rulebook $rulebook): array
    {
        $crossings = [];
        foreach ($obstacles as $run => $ofRun) {
            $layout = $jobLayout->runs[$run];
            foreach ($ofRun as $obstacle) {
                $leg = $layout->leg($obstacle->leg);
                for (
                    $n = 0;
                    $leg !== null &&
                    $n < $obstacle->count &&
                    ! in_array($obstacle->kind, [ObstacleKind::Cold, ObstacleKind::Trap, ObstacleKind::Cleanout], true);
                    $n++
                ) {
                    [$tape, $fromTop, $through] = self::meets(
                        $layout,
                        $leg,
                        $obstacle,
                        $n * ($obstacle->everyMm ?? 0.0),
                    ) ?? [null, null, null];
                    if ($tape === null || $through === null) {
                        continue;
                    }
                    $outside = $layout->system->pipe($through->line->size)->outsideMm;
                    $crossings[] = new Crossing(
                        $obstacle,
                        $n + 1,
                        $tape,
                        $through->line->size,
                        $outside,
                        $outside + $rulebook->number('hole.clear'),
                        $fromTop,
                    );
                }
            }
        }

        return $crossings;
    }

    /**
     * Where a run meets one of several alike. It stands where it stands: where the leg that it was measured from ends
     * before it, a later leg goes through it, or over or under it.
     *
     * @param float $alongMm from the first of them
     * @return array{float, ?float, LegLaid}|null on the tape, from the upper edge down to the middle of the pipe, and
     *     the leg that goes through; null where none does
     */
    private static function meets(RunLayout $layout, LegLaid $leg, Obstacle $obstacle, float $alongMm): ?array
    {
        $at = $obstacle->atMm + $alongMm;
        $u = $leg->line->direction;
        $fromTop = $obstacle->topMm === null ? null : $obstacle->topMm - $u->z * $alongMm;
        $isPast = $at > $leg->centreMm && ! $leg->isUpright();
        $found = $isPast ? self::laterLeg($layout, $leg, $at) : null;
        if ($found === null) {
            // One that was said to stand on a leg stands there; of others alike those past the run are not in its way.
            return $isPast && $alongMm > 0.0 ? null : [$leg->tapeMm + $at, $fromTop, $leg];
        }
        [$later, $share] = $found;
        $z = $later->from->z + $later->line->direction->z * $share * $later->centreMm;
        $fromTop = $obstacle->topMm === null ? null : $leg->from->z + $u->z * $obstacle->atMm + $obstacle->topMm - $z;
        $half = $layout->system->pipe($later->line->size)->outsideMm / 2;
        $isOver = $fromTop !== null && ($fromTop < -$half || $fromTop > ($obstacle->depthMm ?? INF) + $half);

        return $isOver && $obstacle->depthMm !== null ? null : [
            $later->tapeMm + $share * $later->centreMm,
            $fromTop,
            $later,
        ];
    }

    /**
     * Gives the leg after a level one that stands over or under a place beyond its end, seen from above.
     *
     * @param float $atMm the place, along the leg and on past its end
     * @return array{LegLaid, float}|null and which share of it lies before that; null where none does
     */
    private static function laterLeg(RunLayout $layout, LegLaid $leg, float $atMm): ?array
    {
        $u = $leg->line->direction;
        $plan = hypot($u->x, $u->y);
        $ahead = static function (Vec3 $point) use ($leg, $u, $plan): float {
            return (($point->x - $leg->from->x) * $u->x + ($point->y - $leg->from->y) * $u->y) / $plan;
        };
        foreach (array_slice($layout->legs, $leg->line->number) as $later) {
            [$from, $to] = [$ahead($later->from), $ahead($later->to())];
            $share = abs($to - $from) < self::SQUARE_MM ? -1.0 : ($atMm * $plan - $from) / ($to - $from);
            if ($share >= 0.0 && $share <= 1.0) {
                return [$later, $share];
            }
        }

        return null;
    }
}
