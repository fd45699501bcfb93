<?php

declare(strict_types=1);

namespace FallBend\Core\Network;

use FallBend\Core\Catalog\Nominal;
use FallBend\Core\Catalog\Pipe;
use FallBend\Core\Catalog\Rulebook;
use FallBend\Core\Catalog\Threshold;
use FallBend\Core\Flow\DesignFlow;
use FallBend\Core\Flow\Manning;
use FallBend\Core\Measure\Tolerance;

/** Compares what a pipe carries with what the rulebook lets into its size, and proposes the smallest size that does. */
final class Sizing
{
    /** @var array<string, ?Threshold> the row of a drain by size and fall: pipes of a job share few of either */
    private array $rows = [];

    private readonly bool $isFlow;

    private readonly bool $hasBranches;

    /** Whether level offsets of stacks are sized as building drains. */
    private readonly bool $sizesOffsets;

    public function __construct(private readonly Network $network, private readonly Rulebook $rulebook)
    {
        $this->isFlow = ($rulebook->limit('load.stack')->unit ?? '') === 'l_per_s';
        $this->hasBranches = $rulebook->limit('load.branch') !== null;
        $this->sizesOffsets = $rulebook->allows('offset.as-drain');
    }

    /** @return list<SizeCheck> one for each size and lie that the segment has */
    public function checks(Segment $segment): array
    {
        $checks = [];
        foreach ($segment->stretches as $stretch) {
            $place = $this->place($segment, $stretch);
            $key = "{$stretch->leg->line->size} {$place}";
            $checks[$key] ??= $this->check($segment, $stretch, $place);
        }

        return array_values($checks);
    }

    /** Says a load as the rulebook counts it. */
    public function loadInWords(float $load): string
    {
        $number = rtrim(rtrim(number_format($load, 1, '.', ''), '0'), '.');

        return $this->isFlow
            ? "{$number} l/s of discharge units"
            : "{$number} fixture ".($number === '1' ? 'unit' : 'units');
    }

    /** Whether the rulebook counts litres a second and not fixture units. */
    public function isFlow(): bool
    {
        return $this->isFlow;
    }

    private function place(Segment $segment, Stretch $stretch): string
    {
        return match (true) {
            $stretch->isUpright() => 'stack',
            $segment->isAboveStack && $this->hasBranches && ! $this->isOffset($segment, $stretch) => 'branch',
            default => 'drain',
        };
    }

    /** Whether it is a level offset of a stack, and the book sizes those as building drains. */
    private function isOffset(Segment $segment, Stretch $stretch): bool
    {
        $stack = $this->sizesOffsets ? $this->network->stack($segment->run()) : null;

        return $stack !== null && $stretch->leg->line->number > $stack->branches[0]->leg->line->number;
    }

    private function check(Segment $segment, Stretch $stretch, string $place): SizeCheck
    {
        [$most, $row] = $this->most($segment, $stretch->leg->line->size, $place, $stretch->fallMmPerM());

        return new SizeCheck($stretch->leg->line->size, $place, $most, $stretch, $row?->provenance);
    }

    /**
     * Gives the smallest size of the system that takes what a segment carries there, and is no smaller than what flows
     * into it and
     * than the rulebook wants for a closet or a trap; null where none is.
     */
    public function proposed(Segment $segment, SizeCheck $check): ?string
    {
        $least = $this->leastNominalMm($segment);
        foreach ($segment->layout->system->sizes() as $size) {
            if (Tolerance::isUnder(Nominal::mm($size), $least, Tolerance::NOMINAL_MM)) {
                continue;
            }
            [$most] = $this->most($segment, $size, $check->place, $check->stretch->fallMmPerM());
            if ($most !== null && ! Tolerance::isOver($segment->load, $most, Tolerance::SUM)) {
                return $size;
            }
        }

        return null;
    }

    private function leastNominalMm(Segment $segment): float
    {
        $sizes = array_map(
            static fn (Segment $above): string => $above->size(),
            array_filter($this->network->in($segment->up), static fn (Segment $above): bool => $above->isWet),
        );
        foreach ($segment->heads as $head) {
            array_push($sizes, $head->fixture->trapSize ?? '0', $head->load->trapSize ?? '0');
        }
        $closet = $segment->closets === 0 ? 0.0 : $this->rulebook->number('closet.size-least');

        return max($closet, 0.0, ...array_map(Nominal::mm(...), array_values($sizes)));
    }

    /** @return array{?float, ?Threshold} the load that a size takes there */
    private function most(Segment $segment, string $size, string $place, float $fall): array
    {
        if ($this->isFlow) {
            return $this->mostFlow($segment, $size, $place, $fall);
        }
        if ($place === 'drain') {
            $key = "{$size} {$fall}";
            $row = array_key_exists($key, $this->rows)
                ? $this->rows[$key]
                : ($this->rows[$key] = $this->rulebook->atFall('load.drain', $size, $fall));

            return [$row?->value, $row];
        }
        if ($place === 'branch') {
            $row = $this->rulebook->forSize('load.branch', $size);

            return [$row?->value, $row];
        }
        $tall = $this->intervals($segment) > 3 ? $this->rulebook->forSize('load.stack-tall', $size) : null;
        $row = $tall ?? $this->rulebook->forSize('load.stack', $size);

        return [$row?->value, $row];
    }

    /**
     * Discharge units that make the flow which the pipe takes: Q = K·√ΣDU turned round, ΣDU = (Q/K)².
     *
     * @return array{?float, ?Threshold}
     */
    private function mostFlow(Segment $segment, string $size, string $place, float $fall): array
    {
        $frequency = max(0.01, $this->rulebook->number('flow.frequency'));
        if ($place === 'stack') {
            $row = $this->rulebook->forSize('load.stack', $size);
            // A drop at the end of a small branch is no stack: it takes what its own level pipe takes.
            if ($row?->value !== null) {
                return [($row->value / $frequency) ** 2, $row];
            }
            $fall = 1000.0;
        }
        $row = $this->rulebook->limit('drain.fill-most');
        $pipe = $segment->layout->system->pipes[$size] ?? null;
        if (! ($pipe instanceof Pipe) || $row?->value === null || $fall <= 0) {
            return [null, $row];
        }
        $flow = Manning::at($pipe->boreMm, $fall, $row->value, $this->rulebook->number('flow.roughness'))
            ->dischargeLPerS;

        return [max(($flow / $frequency) ** 2, $flow), $row];
    }

    /**
     * How many storeys discharge into the stack that a segment belongs to: levels of its branches a storey apart, as
     * the rulebook has it.
     */
    private function intervals(Segment $segment): int
    {
        return $this->network->stack($segment->run())?->intervals($this->rulebook->number('storey.height')) ?? 0;
    }

    /** Gives the flow that a segment is designed for, in litres a second. */
    public function designFlow(Segment $segment): float
    {
        return DesignFlow::lPerS(
            $segment->load,
            array_map(static fn (LoadedFixture $head): float => $head->load->value ?? 0.0, $segment->heads),
            $this->rulebook,
        );
    }
}
