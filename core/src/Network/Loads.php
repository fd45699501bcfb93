<?php

declare(strict_types=1);

namespace FallBend\Core\Network;

use FallBend\Core\Catalog\FixtureLoad;

/** Adds up what discharges into a pipe. */
final class Loads
{
    /**
     * Sets load and closets of a segment from its heads. Where the rulebook counts a bathroom group together, a group
     * of closet, lavatory and bath or shower counts as that, where it is less than its parts. A closet in public use
     * and a shower of many heads are of no group.
     *
     * @param array<string, FixtureLoad> $wholes what a group counts together, by the variant of its closet
     */
    public static function sum(Segment $segment, array $wholes): void
    {
        [$load, $groups, $closets] = [0.0, [], []];
        foreach ($segment->heads as $head) {
            $segment->closets += $head->isCloset() ? 1 : 0;
            if ($head->load === null) {
                $segment->isLoadKnown = false;
            } elseif (
                $wholes !== [] &&
                $head->fixture->group !== '' &&
                $head->fixture->kind->isOfBathroom() &&
                ($head->fixture->variant === null || $head->isCloset())
            ) {
                $kind = $head->fixture->kind->value;
                if ($head->isCloset()) {
                    $closets[$head->fixture->group] = $head->fixture->variant->value ?? '';
                }
                $groups[$head->fixture->group][$kind] =
                    ($groups[$head->fixture->group][$kind] ?? 0.0) + $head->load->value;
            } else {
                $load += $head->load->value;
            }
        }
        foreach ($groups as $name => $kinds) {
            $sum = array_sum($kinds);
            $whole = $wholes[$closets[$name] ?? ''] ?? null;
            $isWhole =
                isset($kinds['water-closet'], $kinds['lavatory']) && (isset($kinds['bath']) || isset($kinds['shower']));
            $load += $isWhole && $whole !== null ? min($sum, $whole->value) : $sum;
        }
        $segment->load = $load;
    }
}
