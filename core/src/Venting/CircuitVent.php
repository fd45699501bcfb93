<?php

declare(strict_types=1);

namespace FallBend\Core\Venting;

use FallBend\Core\Catalog\Rulebook;
use FallBend\Core\Network\Network;
use FallBend\Core\Network\Segment;

/**
 * One vent for a level branch of up to eight fixtures, between the two most upstream of them (IPC 914, IRC P3110, UPC
 * 911, NPC 2.5.3.1).
 */
final readonly class CircuitVent implements VentWay
{
    public function __construct(private Network $network, private Rulebook $rulebook) {}

    public function method(): VentMethod
    {
        return VentMethod::Circuit;
    }

    public function missing(AirPath $path): ?array
    {
        $most = $this->rulebook->limit('circuit.fixtures-most');
        if ($path->wet === [] || $path->isUpright() || $most?->value === null) {
            return null;
        }
        $branch = [...array_reverse($path->wet), ...$path->onward()];
        $slope = $this->rulebook->limit('circuit.slope-most')->value ?? INF;
        $own = $path->arm->last()->stretches ?? [];
        $comesDown = $own !== [] && $own[count($own) - 1]->isUpright();

        return array_values(
            array_filter([
                count($path->all()) > $most->value ? Shortfall::TooMany : null,
                $this->isVentedBehindTheFirst($path) ? null : Shortfall::VentPlace,
                $path->entersByItself($path->arm->head) ? null : Shortfall::Separately,
                $path->isSteeperThan($slope) ? Shortfall::Steep : null,
                $path->isStraightLevel() && ! $comesDown ? null : Shortfall::Upright,
                $this->isReliefMissing($path, $branch) ? Shortfall::Relief : null,
            ]),
        );
    }

    /** Whether the dry vent meets the branch downstream of its first fixture, and upstream of its second. */
    private function isVentedBehindTheFirst(AirPath $path): bool
    {
        $vent = $path->dry[0] ?? null;
        if ($vent === null) {
            return false;
        }
        $above = [];
        foreach ($this->network->in($vent->down) as $segment) {
            $above = $segment->isWet ? [...$above, ...$segment->heads] : $above;
        }

        return count($above) === 1;
    }

    /**
     * Whether a relief vent is wanted, and none meets the branch between its last fixture and its stack.
     *
     * @param list<Segment> $branch
     */
    private function isReliefMissing(AirPath $path, array $branch): bool
    {
        $from = $this->rulebook->limit('circuit.relief-from');
        $end = $branch === [] ? null : $branch[count($branch) - 1];
        if ($from?->value === null || $end === null || $end->closets < $from->value) {
            return false;
        }
        $fromAbove = array_filter(
            $this->network->in($end->down),
            static fn (Segment $segment): bool => $segment->isWet && $segment !== $end,
        );

        return $fromAbove !== [] && ! $this->isRelieved($branch, count($path->all()));
    }

    /**
     * Whether a dry vent meets the branch where all of its fixtures are in it.
     *
     * @param list<Segment> $branch
     */
    private function isRelieved(array $branch, int $fixtures): bool
    {
        foreach ($branch as $segment) {
            foreach (count($segment->heads) === $fixtures ? $this->network->in($segment->up) : [] as $beside) {
                if ($beside->isDryVent()) {
                    return true;
                }
            }
        }

        return false;
    }
}
