<?php

declare(strict_types=1);

namespace FallBend\Core\Venting;

use FallBend\Core\Catalog\Rulebook;
use FallBend\Core\Measure\Tolerance;
use FallBend\Core\Network\Arm;
use FallBend\Core\Network\LoadedFixture;
use FallBend\Core\Network\Network;

/** A stack of one size with a stack vent, that short drains of all kinds enter (IPC 917). */
final readonly class SingleStack implements VentWay
{
    public function __construct(private Network $network, private Rulebook $rulebook) {}

    public function method(): VentMethod
    {
        return VentMethod::SingleStack;
    }

    public function missing(AirPath $path): ?array
    {
        if ($path->wet === [] || ! $path->isUpright()) {
            return null;
        }
        $size = $path->by->size();
        $most = $this->rulebook->forSize('single-stack.load-most', $size)?->value;
        if ($most === null) {
            return null;
        }
        $heads = $path->all();
        $arms = array_values(array_filter(array_map($this->network->arm(...), $heads)));

        return array_values(
            array_filter([
                ...$this->overload($heads, $size, $most),
                $path->isStraight() ? null : Shortfall::Offset,
                $path->hasFullStackVent() ? null : Shortfall::StackVentSmall,
                $this->isLowestFloors($path, $heads) ? Shortfall::LowestFloors : null,
                array_filter($arms, $this->isLong(...)) === [] ? null : Shortfall::ArmLong,
                array_filter($arms, $this->isDropped(...)) === [] ? null : Shortfall::Drop,
            ]),
        );
    }

    /**
     * @param non-empty-list<LoadedFixture> $heads
     * @return list<Shortfall>
     */
    private function overload(array $heads, string $size, float $most): array
    {
        $load = array_sum(array_map(static fn (LoadedFixture $head): float => $head->load->value ?? 0.0, $heads));
        $closets = array_filter($heads, static fn (LoadedFixture $head): bool => $head->isCloset());
        $closetsMost = $this->rulebook->forSize('single-stack.closets-most', $size)->value ?? INF;

        return array_values(
            array_filter([
                Tolerance::isOver($load, $most, Tolerance::SUM) ? Shortfall::Total : null,
                count($closets) > $closetsMost ? Shortfall::Closets : null,
            ]),
        );
    }

    /**
     * Whether the two lowest floors of a stack of more than so many branch intervals discharge into it.
     *
     * @param non-empty-list<LoadedFixture> $heads
     */
    private function isLowestFloors(AirPath $path, array $heads): bool
    {
        $most = $this->rulebook->limit('single-stack.intervals')->value ?? INF;
        $intervals = array_keys($path->intervals($heads, $this->rulebook->number('storey.height')));

        // Counted down from the highest, so that the last has the highest number.
        return max($intervals) + 1 > $most;
    }

    private function isLong(Arm $arm): bool
    {
        $limit = $this->rulebook->limit($arm->head->isCloset() ? 'single-stack.closet-arm' : 'single-stack.arm');

        return Tolerance::isOver($arm->lengthMm, $limit->value ?? INF, Tolerance::TAPE_MM);
    }

    private function isDropped(Arm $arm): bool
    {
        $limit = $this->rulebook->limit('single-stack.drop')->value ?? INF;

        return Tolerance::isOver($arm->uprightMm, $limit, Tolerance::TAPE_MM);
    }
}
