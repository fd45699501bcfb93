<?php

declare(strict_types=1);

namespace FallBend\Core\Venting;

use FallBend\Core\Catalog\Rulebook;

/** A discharge stack that is open above: whatever enters it is vented by it (AD H 1.9). */
final readonly class DischargeStack implements VentWay
{
    public function __construct(private Rulebook $rulebook) {}

    public function method(): VentMethod
    {
        return VentMethod::ByStack;
    }

    public function missing(AirPath $path): ?array
    {
        return $path->by->isWet === true && $this->rulebook->allows('vent.by-stack') ? [] : null;
    }
}
