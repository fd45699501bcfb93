<?php

declare(strict_types=1);

namespace FallBend\Core\Venting;

use FallBend\Core\Catalog\Rulebook;
use FallBend\Core\Measure\Tolerance;
use FallBend\Core\Network\LoadedFixture;

/**
 * Pipe that waste runs in and air comes down, by a table of its loads and without groups: two closets at most, and
 * downstream of all others (NPC 2.5.2.1, table 2.5.8.1).
 */
final readonly class TableWetVent implements VentWay
{
    public function __construct(private Rulebook $rulebook) {}

    public function method(): VentMethod
    {
        return VentMethod::Wet;
    }

    public function missing(AirPath $path): ?array
    {
        if ($path->wet === []) {
            return null;
        }
        $plain = $this->rulebook->forSize('wet-vent.plain-most', $path->by->size());
        if ($plain?->value === null) {
            return null;
        }
        $all = $path->all();
        $closets = array_filter($all, static fn (LoadedFixture $head): bool => $head->isCloset());
        $most = $closets === [] ? $plain : $this->rulebook->forSize('wet-vent.closet-most', $path->by->size());
        $closetsMost = $this->rulebook->limit('wet-vent.closets-most')->value ?? INF;
        $isClosetAbove = ! $path->arm->head->isCloset() && $path->by->closets > 0;

        return array_values(
            array_filter([
                $most?->value === null ? Shortfall::TooSmall : null,
                $most?->value !== null && Tolerance::isOver($this->load($path), $most->value, Tolerance::SUM)
                    ? Shortfall::Total
                    : null,
                count($closets) > $closetsMost ? Shortfall::Closets : null,
                $isClosetAbove ? Shortfall::ClosetAbove : null,
                $path->dry === [] ? Shortfall::StackVentWet : null,
            ]),
        );
    }

    /** The load of what runs in the pipe above the trap, closets not counted. */
    private function load(AirPath $path): float
    {
        $loads = array_map(
            static fn (LoadedFixture $head): float => $head->isCloset() ? 0.0 : $head->load->value ?? 0.0,
            $path->others,
        );

        return array_sum($loads);
    }
}
