<?php

declare(strict_types=1);

namespace FallBend\Core\Venting;

use FallBend\Core\Catalog\Rulebook;
use FallBend\Core\Measure\Tolerance;
use FallBend\Core\Network\Arm;
use FallBend\Core\Network\Network;

/**
 * One vent for two fixtures: a dry one where both drains meet (IPC 911.2), or the upright drain of the upper, that goes
 * on as a vent (IPC 911.3).
 */
final readonly class CommonVent implements VentWay
{
    public function __construct(private Network $network, private Rulebook $rulebook) {}

    public function method(): VentMethod
    {
        return VentMethod::Common;
    }

    public function missing(Arm $arm): ?array
    {
        if ($arm->by === null) {
            return null;
        }
        $together = static fn (Arm $other): bool => $other->vent === $arm->vent;
        if (! $arm->by->isWet) {
            return count(array_filter($this->network->vents($arm->by), $together)) > 1 ? [] : null;
        }
        $path = AirPath::of($arm, $this->network);
        $most = $this->rulebook->forSize('common-vent.upper-most', $arm->by->size());
        // The book has no vent of two levels, or it is none of two fixtures.
        if ($path === null || $most?->value === null || count($path->others) !== 1 || ! $path->isUpright()) {
            return null;
        }

        return array_values(
            array_filter([
                $path->others[0]->isCloset() && ! $this->rulebook->allows('common-vent.upper-closet')
                    ? Shortfall::ClosetUpper
                    : null,
                ! $arm->by->isLoadKnown || Tolerance::isOver($arm->by->load, $most->value, Tolerance::SUM)
                    ? Shortfall::UpperTooMuch
                    : null,
                $path->isOnOneStorey($this->rulebook->number('storey.height')) ? null : Shortfall::Storey,
                $path->dry !== [] && $path->isOfOthersAlone() ? null : Shortfall::StackVentWet,
            ]),
        );
    }
}
