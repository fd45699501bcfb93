<?php

declare(strict_types=1);

namespace FallBend\Core\Network;

use FallBend\Core\Catalog\FixtureLoad;

/** Adds up what discharges into a pipe. */
final class Loads
{
    /**
     * Sets load and closets of a segment from its heads. Where the rulebook counts a bathroom group together, a group
     * of closet, lavatory and bath or shower
     * counts as that, where it is less than its parts.
     */
    public static function sum(Segment $segment, ?FixtureLoad $group): void
    {
        [$load, $groups] = [0.0, []];
        foreach ($segment->heads as $head) {
            $segment->closets += $head->isCloset() ? 1 : 0;
            if ($head->load === null) {
                $segment->isLoadKnown = false;
            } elseif (
                $group !== null &&
                $head->fixture->group !== '' &&
                $head->fixture->kind->isOfBathroom()
            ) {
                $kind = $head->fixture->kind->value;
                $groups[$head->fixture->group][$kind] =
                    ($groups[$head->fixture->group][$kind] ?? 0.0) + $head->load->value;
            } else {
                $load += $head->load->value;
            }
        }
        foreach ($groups as $kinds) {
            $sum = array_sum($kinds);
            $isWhole =
                isset($kinds['water-closet'], $kinds['lavatory']) && (isset($kinds['bath']) || isset($kinds['shower']));
            $load += $isWhole && $group !== null ? min($sum, $group->value) : $sum;
        }
        $segment->load = $load;
    }
}
