<?php

declare(strict_types=1);

namespace FallBend\Core\Venting;

use FallBend\Core\Network\Arm;
use FallBend\Core\Network\Network;

/** A dry vent that meets the drain of one fixture (IPC 910, IRC P3106, UPC 905, NPC 2.5.6.3). */
final readonly class IndividualVent implements VentWay
{
    public function __construct(private Network $network) {}

    public function method(): VentMethod
    {
        return VentMethod::Individual;
    }

    public function missing(Arm $arm): ?array
    {
        if ($arm->by === null || $arm->by->isWet) {
            return null;
        }
        $together = array_filter(
            $this->network->vents($arm->by),
            static fn (Arm $other): bool => $other->vent === $arm->vent,
        );

        return count($together) > 1 ? null : [];
    }
}
