<?php

declare(strict_types=1);

namespace FallBend\Core\Network;

use FallBend\Core\Catalog\FixtureGroups;

/** Adds up what discharges into a pipe. */
final class Loads
{
    /**
     * Sets load and closets of a segment from its heads. Where the rulebook counts fixtures of one room together, those
     * of one name count as that, where it is less than their sum: a closet, lavatory and bath or shower as a bathroom,
     * a sink and dishwasher as a kitchen, a washer and tub as a laundry. A closet in public use and a shower of many
     * heads are of no group.
     */
    public static function sum(Segment $segment, FixtureGroups $wholes): void
    {
        $load = 0.0;
        $rooms = [];
        foreach ($segment->heads as $head) {
            $segment->closets += $head->isCloset() ? 1 : 0;
            $isOfRoom =
                ! $wholes->isNone() &&
                $head->fixture->group !== '' &&
                ($head->fixture->variant === null || $head->isCloset());
            if ($head->load === null) {
                $segment->isLoadKnown = false;
            } elseif ($isOfRoom) {
                $rooms[$head->fixture->group] ??= new Room;
                $rooms[$head->fixture->group]->add($head, $head->load->value);
            } else {
                $load += $head->load->value;
            }
        }
        $segment->load = $load + self::ofRooms($rooms, $wholes);
    }

    /** @param array<array-key, Room> $rooms */
    private static function ofRooms(array $rooms, FixtureGroups $wholes): float
    {
        [$sum, $ofBathrooms, $bathrooms] = [0.0, 0.0, 0.0];
        foreach ($rooms as $room) {
            $counted = $room->load($wholes);
            $count = $room->bathrooms($wholes);
            $sum += $counted;
            $ofBathrooms += $count > 0.0 ? $counted : 0.0;
            $bathrooms += $count;
        }
        $together = $wholes->several[number_format($bathrooms, 1, '.', '')] ?? null;

        return $together === null ? $sum : $sum - $ofBathrooms + min($ofBathrooms, $together);
    }
}
