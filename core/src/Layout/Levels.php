<?php

declare(strict_types=1);

namespace FallBend\Core\Layout;

use FallBend\Core\Job\Leg;
use FallBend\Core\Job\Run;
use FallBend\Core\Job\Way;
use FallBend\Core\Measure\Length;

/**
 * Finds what a run leaves open between its levelled ends: the fall of the legs that share what is left, or the length
 * of the upright leg that takes the rest.
 * With legs of given drop d and sharing legs of length L, sin(dip) = (D − Σd) / ΣL for all that share.
 */
final class Levels
{
    /** Steeper than this a shared fall is no fall any more. */
    private const STEEPEST = 1.0;

    /**
     * @param float $fallMmPerM the fall of legs that say none
     * @param float $moreMm added to the levelled difference: what the rolled pairs of the last try took
     * @return Run with the legs found; the same where nothing was left open, or it cannot be found
     */
    public static function found(Run $run, float $fallMmPerM, float $moreMm = 0.0): Run
    {
        $open = array_filter($run->legs, static fn (Leg $leg): bool => $leg->takes !== null);
        if ($open === [] || $run->levelDifference === null) {
            return $run;
        }
        $rest = array_filter($open, static fn (Leg $leg): bool => $leg->takes === 'rest');
        $lines = Directions::lines($run, $fallMmPerM);
        $left = $run->levelDifference->toMm() + $moreMm;
        $shared = 0.0;
        foreach ($lines as $line) {
            $length = $line->leg->length?->toMm() ?? 0.0;
            if ($line->leg->takes === 'share' && $rest === []) {
                $shared += $length;
            } elseif ($line->leg->takes !== 'rest') {
                $left -= $length * sin(deg2rad($line->dipDeg));
            }
        }
        if ($rest !== []) {
            return self::withRest($run, $left / count($rest));
        }
        $sine = $shared > 0 ? $left / $shared : 0.0;

        return abs($sine) > sin(atan(self::STEEPEST))
            ? $run
            : $run->withLegs(
                array_map(
                    static fn (Leg $leg): Leg => $leg->takes === 'share'
                        ? $leg->found($leg->length, tan(asin($sine)) * 1000)
                        : $leg,
                    $run->legs,
                ),
                $run->nextLeg,
            );
    }

    private static function withRest(Run $run, float $eachMm): Run
    {
        return $run->withLegs(
            array_map(static function (Leg $leg) use ($eachMm): Leg {
                $length = $leg->way === Way::Up ? -$eachMm : $eachMm;
                $along = $length / sin(deg2rad($leg->turnDeg ?? 90.0));

                return $leg->takes === 'rest' && $along > 0.01 ? $leg->found(Length::mm($along), null) : $leg;
            }, $run->legs),
            $run->nextLeg,
        );
    }
}
