<?php

declare(strict_types=1);

namespace FallBend\Core\Venting;

use FallBend\Core\Catalog\Nominal;
use FallBend\Core\Catalog\Rulebook;
use FallBend\Core\Measure\Tolerance;
use FallBend\Core\Network\LoadedFixture;

/** Upright pipe of up to four fixtures of one or two units, whatever they are, on one storey (UPC 908.1). */
final readonly class SmallUprightWetVent implements VentWay
{
    public function __construct(private Rulebook $rulebook) {}

    public function method(): VentMethod
    {
        return VentMethod::VerticalWet;
    }

    public function missing(AirPath $path): ?array
    {
        $most = $this->rulebook->limit('vertical-wet.fixtures-most');
        if ($path->wet === [] || ! $path->isUpright() || $most?->value === null) {
            return null;
        }
        // What enters further down has to be vented otherwise, and makes this no other.
        $heads = [...$path->others, $path->arm->head];
        $each = $this->rulebook->limit('vertical-wet.load-each-most')->value ?? INF;
        $least = $this->rulebook->limit('vertical-wet.size-least')->value ?? 0.0;
        $isHeavy = static fn (LoadedFixture $head): bool => ($head->load->value ?? INF) > $each + Tolerance::SUM;

        return array_values(
            array_filter([
                count($heads) > $most->value ? Shortfall::TooMany : null,
                array_filter($heads, $isHeavy) === [] ? null : Shortfall::LoadEach,
                $path->isOnOneStorey($this->rulebook->number('storey.height')) ? null : Shortfall::Storey,
                Tolerance::isUnder(Nominal::mm($path->by->size()), $least, Tolerance::NOMINAL_MM)
                    ? Shortfall::TooSmall
                    : null,
                $path->dry === [] ? Shortfall::StackVentWet : null,
            ]),
        );
    }
}
