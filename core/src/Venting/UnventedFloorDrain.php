<?php

declare(strict_types=1);

namespace FallBend\Core\Venting;

use FallBend\Core\Catalog\FixtureKind;
use FallBend\Core\Catalog\Nominal;
use FallBend\Core\Catalog\Rulebook;
use FallBend\Core\Measure\Tolerance;
use FallBend\Core\Network\Arm;

/** A large floor drain that the book takes without a vent (NPC 2.5.1.1). */
final readonly class UnventedFloorDrain implements DrainWay
{
    public function __construct(private Rulebook $rulebook) {}

    public function method(): VentMethod
    {
        return VentMethod::Unvented;
    }

    public function missing(Arm $arm): ?array
    {
        $own = $arm->segments[0] ?? null;
        if ($own === null || $arm->head->fixture->kind !== FixtureKind::FloorDrain) {
            return null;
        }
        $trap = Nominal::mm($arm->head->fixture->trapSize ?? $arm->size());
        $fallMost = $this->limit('unvented.fall-most', INF) * Nominal::mm($arm->size());
        $fall = 0.0;
        foreach ($own->stretches as $stretch) {
            $fall += $stretch->dropMm();
        }
        $trapLeast = $this->limit('unvented.trap-least', 0.0);
        $least = $this->limit('unvented.length-least', 0.0);

        return array_values(
            array_filter([
                Tolerance::isUnder($trap, $trapLeast, Tolerance::NOMINAL_MM) ? Shortfall::TrapSmall : null,
                Tolerance::isUnder($own->lengthMm(), $least, Tolerance::TAPE_MM) ? Shortfall::Short : null,
                Tolerance::isOver($fall, $fallMost, Tolerance::TAPE_MM) ? Shortfall::Falls : null,
            ]),
        );
    }

    private function limit(string $topic, float $without): float
    {
        return $this->rulebook->limit($topic)->value ?? $without;
    }
}
