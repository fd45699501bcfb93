<?php

declare(strict_types=1);

namespace FallBend\Core\Venting;

/** A dry vent that meets the drain of one fixture (IPC 910, IRC P3106, UPC 905, NPC 2.5.6.3). */
final readonly class IndividualVent implements VentWay
{
    public function method(): VentMethod
    {
        return VentMethod::Individual;
    }

    public function missing(AirPath $path): ?array
    {
        return $path->by->isWet || $path->isShared() || $path->arm->isLooped() ? null : [];
    }
}
