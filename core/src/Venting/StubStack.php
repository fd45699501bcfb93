<?php

declare(strict_types=1);

namespace FallBend\Core\Venting;

use FallBend\Core\Catalog\Pipe;
use FallBend\Core\Catalog\Rulebook;
use FallBend\Core\Measure\Tolerance;
use FallBend\Core\Network\Arm;
use FallBend\Core\Network\Network;
use FallBend\Core\Network\Segment;

/**
 * A short stack that ends without a vent, or one closet that goes straight down, on a drain that is ventilated at its
 * head (AD H H1 1.30 and diagram 1). Heights are taken over the invert at the foot.
 */
final readonly class StubStack implements DrainWay
{
    public function __construct(private Network $network, private Rulebook $rulebook) {}

    public function method(): VentMethod
    {
        return VentMethod::StubStack;
    }

    public function missing(Arm $arm): ?array
    {
        $invert = $this->invertMm($arm);
        if ($invert === null) {
            return null;
        }
        $isCloset = $arm->head->isCloset();
        $at = $isCloset ? $arm->head->node->at->z : ($arm->segments[0]->down->at->z ?? $invert);
        $most = $this->rulebook->limit($isCloset ? 'stub-stack.closet-most' : 'stub-stack.branch-most')->value ?? INF;
        $isVentilated = $this->network->layout->job->building->isDrainVentilated;

        return array_values(
            array_filter([
                Tolerance::isOver($at - $invert, $most, Tolerance::TAPE_MM) ? Shortfall::High : null,
                $this->isLong($arm) ? Shortfall::ArmLong : null,
                $isVentilated === false ? Shortfall::DrainNotVentilated : null,
                $isVentilated === null ? Shortfall::DrainNotKnown : null,
            ]),
        );
    }

    /** @return list<Segment> all that the trap drains through, to where it ends */
    private function wayDown(Arm $arm): array
    {
        $way = [];
        for (
            $segment = $this->network->drain($arm->head->node);
            $segment !== null && count($way) < 10_000;
            $segment = $this->network->drain($segment->down)
        ) {
            $way[] = $segment;
        }

        return $way;
    }

    /** The invert at the foot of the lowest upright pipe on the way down, in the frame of the network; null: none. */
    private function invertMm(Arm $arm): ?float
    {
        $foot = null;
        foreach ($this->wayDown($arm) as $segment) {
            foreach ($segment->stretches as $stretch) {
                if ($stretch->isUpright()) {
                    $offset = $this->network->layout->offsets[$segment->run()]->z;
                    $pipe = $segment->layout->system->pipes[$stretch->leg->line->size] ?? null;
                    $foot = $offset + $stretch->lowestZ() - ($pipe instanceof Pipe ? $pipe->boreMm / 2 : 0.0);
                }
            }
        }

        return $foot;
    }

    /** Whether the branch is longer, before it comes to upright pipe, than one without a vent may be. */
    private function isLong(Arm $arm): bool
    {
        $fixture = $arm->head->fixture->kind;
        $most = $arm->head->isCloset()
            ? $this->rulebook->limit('closet-arm.most')
            : $this->rulebook->forFixture('trap-arm.most', $fixture, $arm->size());
        $length = 0.0;
        foreach ($this->wayDown($arm) as $segment) {
            foreach ($segment->stretches as $stretch) {
                if ($stretch->isUpright()) {
                    return $most?->value !== null && Tolerance::isOver($length, $most->value, Tolerance::TAPE_MM);
                }
                $length += $stretch->lengthMm();
            }
        }

        return false;
    }
}
