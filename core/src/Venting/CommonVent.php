<?php

declare(strict_types=1);

namespace FallBend\Core\Venting;

use FallBend\Core\Catalog\Rulebook;
use FallBend\Core\Measure\Tolerance;

/**
 * One vent for two fixtures: a dry one where both drains meet (IPC 911.2), or the upright drain of the upper, that goes
 * on as a vent (IPC 911.3).
 */
final readonly class CommonVent implements VentWay
{
    public function __construct(private Rulebook $rulebook) {}

    public function method(): VentMethod
    {
        return VentMethod::Common;
    }

    public function missing(AirPath $path): ?array
    {
        if (! $path->by->isWet) {
            return $path->isShared() ? [] : null;
        }
        $most = $this->rulebook->forSize('common-vent.upper-most', $path->by->size());
        // The book has no vent of two levels, or it is none of two fixtures.
        if ($most?->value === null || count($path->others) !== 1 || ! $path->isUpright()) {
            return null;
        }

        return array_values(
            array_filter([
                $path->others[0]->isCloset() && ! $this->rulebook->allows('common-vent.upper-closet')
                    ? Shortfall::ClosetUpper
                    : null,
                ! $path->by->isLoadKnown || Tolerance::isOver($path->by->load, $most->value, Tolerance::SUM)
                    ? Shortfall::UpperTooMuch
                    : null,
                $path->isOnOneStorey($this->rulebook->number('storey.height')) ? null : Shortfall::Storey,
                $path->dry !== [] && $path->isOfOthersAlone() ? null : Shortfall::StackVentWet,
            ]),
        );
    }
}
