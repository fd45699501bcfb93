<?php

declare(strict_types=1);

namespace FallBend\Core\Rules\Network;

use FallBend\Core\Catalog\Rulebook;
use FallBend\Core\Measure\Tolerance;
use FallBend\Core\Network\Arm;
use FallBend\Core\Network\LoadedFixture;
use FallBend\Core\Network\Network;

/** When pipe that waste runs in may vent a trap all the same. */
final readonly class WetVents
{
    public function __construct(private Network $network, private Rulebook $rulebook) {}

    /**
     * Whether the fixtures above discharge into one upright pipe that vents this one too: two fixtures at different
     * levels of one storey, the upper one no more
     * than the rulebook lets into the size (IPC 911.3). Without such a table in the rulebook it is none.
     */
    public function isCommonVent(Arm $arm): bool
    {
        $by = $arm->by;
        if ($by === null || count($by->heads) !== 1 || ! $by->hasUpright() || ! $by->isLoadKnown) {
            return false;
        }
        $most = $this->rulebook->forSize('common-vent.upper-most', $by->size());

        return $most?->value !== null &&
            ! Tolerance::isOver($by->load, $most->value, Tolerance::SUM) &&
            $by->hasAirAbove &&
            ! $this->isAirWetAbove($arm) &&
            abs($by->heads[0]->node->at->z - $arm->head->node->at->z) <= $this->rulebook->number('storey.height');
    }

    /**
     * Whether it is a wet vent of one or two bathrooms: all that runs in it, and this fixture, belong to them, on one
     * storey, and air comes to it dry.
     */
    public function isBathroomVent(Arm $arm): bool
    {
        $most = $this->rulebook->limit('wet-vent.groups-most');
        if ($arm->by === null || $most?->value === null || ! $arm->by->isLoadKnown) {
            return false;
        }
        $groups = [];
        foreach ([$arm->head, ...$arm->by->heads] as $head) {
            if (
                $head->fixture->group === '' ||
                ! $head->fixture->kind->isOfBathroom() ||
                abs($head->node->at->z - $arm->head->node->at->z) > $this->rulebook->number('storey.height')
            ) {
                return false;
            }
            $groups[$head->fixture->group] = true;
        }
        // The dry vent is that of a lavatory, bidet, shower or bath; a closet is not the one that the vent rises
        // behind.
        $first = array_filter(
            $arm->by->heads,
            fn (LoadedFixture $head): bool => $this->network->arm($head)?->isWetVented() === false,
        );

        return count($groups) <= $most->value &&
            $first !== [] &&
            array_filter($first, static fn (LoadedFixture $head): bool => $head->isCloset()) === [];
    }

    private function isAirWetAbove(Arm $arm): bool
    {
        $segment = $arm->by;
        while ($segment !== null && ($segment = $this->network->air($segment->up)?->by) !== null) {
            if ($segment->isWet && ! in_array($arm->by->heads[0] ?? null, $segment->heads, true)) {
                return true;
            }
        }

        return false;
    }
}
