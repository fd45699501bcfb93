<?php

declare(strict_types=1);

namespace FallBend\Core\Rules\Network;

use FallBend\Core\Job\Obstacle;
use FallBend\Core\Job\ObstacleKind;
use FallBend\Core\Job\RunEndKind;
use FallBend\Core\Layout\LegLaid;
use FallBend\Core\Layout\RunLayout;
use FallBend\Core\Measure\Tolerance;

/** Where a rod can be got into a run. */
final class Access
{
    /** Whether it begins with a cleanout, or with a fixture or a floor drain that can be taken off. */
    public static function atHead(RunLayout $layout): bool
    {
        return $layout->run->outlet->kind === RunEndKind::Cleanout || $layout->run->outlet->fixture !== null;
    }

    /** Gives where a cleanout stands on the tape of its run, in mm. */
    public static function tapeOf(Obstacle $obstacle, RunLayout $layout): float
    {
        return ($layout->leg($obstacle->leg)->tapeMm ?? 0.0) + $obstacle->atMm;
    }

    /**
     * Gives the last cleanout before a place on the tape, in mm; null where there is none.
     *
     * @param list<Obstacle> $obstacles of the run
     */
    public static function lastBefore(array $obstacles, RunLayout $layout, float $tapeMm): ?float
    {
        $last = null;
        foreach ($obstacles as $obstacle) {
            $tape = $obstacle->kind === ObstacleKind::Cleanout ? self::tapeOf($obstacle, $layout) : null;
            if ($tape !== null && ! Tolerance::isOver($tape, $tapeMm, Tolerance::TAPE_MM)) {
                $last = max($last ?? 0.0, $tape);
            }
        }

        return $last;
    }

    /**
     * Whether a cleanout stands within a distance of a place.
     *
     * @param list<Obstacle> $obstacles of the run
     */
    public static function isNear(array $obstacles, RunLayout $layout, float $tapeMm, float $withinMm): bool
    {
        foreach ($obstacles as $obstacle) {
            if (
                $obstacle->kind === ObstacleKind::Cleanout &&
                abs(self::tapeOf($obstacle, $layout) - $tapeMm) <= $withinMm
            ) {
                return true;
            }
        }

        return false;
    }

    /** Whether a run enters in the turn into a leg. */
    public static function standsAtTurn(RunLayout $layout, LegLaid $leg): bool
    {
        return isset($layout->site->inTurns[$leg->line->leg->id]);
    }
}
