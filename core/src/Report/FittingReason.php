<?php

declare(strict_types=1);

namespace FallBend\Core\Report;

use FallBend\Core\Layout\Junction;
use FallBend\Core\Layout\Orientation;

/** Says why a branch fitting is the one that stands at its place. */
final class FittingReason
{
    /** Gives one or two sentences. */
    public static function sentence(Junction $junction): string
    {
        $branch = $junction->branch;
        if ($branch === null) {
            return '';
        }
        $angle = rtrim(rtrim(number_format($junction->angleDeg, 1, '.', ''), '0'), '.');
        $asked = $junction->taps[0]->at->pattern ?? ($junction->taps[1]->at->pattern ?? null);
        $lie = match (true) {
            $junction->taps[0]->isVent && ! $junction->isTurn() => 'Only air goes up the branch',
            $junction->orientation === Orientation::LevelToUpright => 'The water comes in level and falls',
            $junction->orientation === Orientation::UprightToLevel => 'The water falls into level pipe and has to be led round',
            $junction->orientation === Orientation::LevelToLevel => 'Both pipes are level, so the branch has to lead the water in the direction of flow',
            default => 'Both pipes are upright',
        };
        $size =
            $branch->branchSize === $branch->size
                ? "all of {$branch->size}"
                : "{$branch->size} in the run, {$branch->branchSize} in the branch: the reduction is on the branch";
        $also = $junction->isTurn()
            ? ' The arm is the branch; the run of the fitting goes on up as the vent.'
            : ($branch->isDouble
                ? ' Two runs come in opposite each other.'
                : '');

        return ($asked === null ? '' : 'You asked for it. ').
            "{$lie}; the pipes meet at {$angle}° and this turns {$branch->turnDeg}°. It is {$size}.{$also}";
    }
}
