<?php

declare(strict_types=1);

namespace FallBend\Core\Venting;

use FallBend\Core\Catalog\Nominal;
use FallBend\Core\Catalog\Rulebook;
use FallBend\Core\Measure\Tolerance;

/**
 * A discharge stack that is open above, or a branch that is ventilated at its head: whatever enters it is vented by it
 * (AD H 1.9, 1.21), where the pipe that the air comes down is no smaller than what it has to vent.
 */
final readonly class DischargeStack implements VentWay
{
    public function __construct(private Rulebook $rulebook) {}

    public function method(): VentMethod
    {
        return VentMethod::ByStack;
    }

    public function missing(AirPath $path): ?array
    {
        if (! $path->by->isWet || ! $this->rulebook->allows('vent.by-stack')) {
            return null;
        }
        $drain = Nominal::mm($path->arm->last()?->size() ?? $path->arm->size());
        $isSmall = Tolerance::isUnder(Nominal::mm($path->by->size()), $drain, Tolerance::NOMINAL_MM);

        return $isSmall ? [Shortfall::TooSmall] : [];
    }
}
