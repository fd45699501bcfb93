<?php

declare(strict_types=1);

namespace FallBend\Core\Network;

use FallBend\Core\Catalog\Nominal;
use FallBend\Core\Job\RunUse;
use FallBend\Core\Layout\LegLaid;
use FallBend\Core\Layout\RunLayout;

/** The pipe between two nodes: a stretch of one run that carries one load. Water flows from `up` to `down`. */
final class Segment
{
    /** @var list<LoadedFixture> the fixtures that discharge into it */
    public array $heads = [];

    /** Sum of their loads, in the unit of the rulebook. */
    public float $load = 0.0;

    /** Whether every load that comes in is known. */
    public bool $isLoadKnown = true;

    /** Whether anything discharges into it. */
    public bool $isWet = false;

    /** How many water closets discharge into it. */
    public int $closets = 0;

    private ?string $size = null;

    /** Whether it vents a trap. */
    public bool $isVent = false;

    /** Whether air comes to its upper end. */
    public bool $hasAirAbove = false;

    /** Whether it is a vent that is looped down: air comes to its lower end, and goes up it to a trap. */
    public bool $isLooped = false;

    /**
     * Whether a pipe upstream or downstream that is upright belongs to its way to the end: set for level pipe that ends
     * in a stack.
     */
    public bool $isAboveStack = false;

    /**
     * @param float $fromMm on the tape of the run
     * @param list<Stretch> $stretches in the direction of flow
     * @param bool $isReversed water flows against the tape, as in a vent that was called out upward
     */
    public function __construct(
        public readonly int $index,
        public readonly RunLayout $layout,
        public readonly float $fromMm,
        public readonly float $toMm,
        public readonly array $stretches,
        public readonly bool $isReversed,
        public readonly Node $up,
        public readonly Node $down,
    ) {}

    /** Gives the id of its run. */
    public function run(): string
    {
        return $this->layout->run->id;
    }

    /** Whether its run was called out as a vent. */
    public function isCalledVent(): bool
    {
        return $this->layout->run->use === RunUse::Vent;
    }

    /** Gives its developed length in mm. */
    public function lengthMm(): float
    {
        return $this->toMm - $this->fromMm;
    }

    /** Whether nothing discharges into it and air comes by it. */
    public function isDryVent(): bool
    {
        return ! $this->isWet && ($this->hasAirAbove || $this->isLooped);
    }

    /** Whether it carries waste and vents traps too. */
    public function isWetVent(): bool
    {
        return $this->isWet && $this->isVent;
    }

    /** @return 'dry-vent'|'wet-vent'|'drain'|'dead' what it is; `dead` where neither air nor waste comes */
    public function role(): string
    {
        return match (true) {
            $this->isWetVent() => 'wet-vent',
            $this->isWet => 'drain',
            $this->isDryVent() => 'dry-vent',
            default => 'dead',
        };
    }

    /** Gives the size of its pipe where water leaves it. */
    public function size(): string
    {
        return $this->size ??=
            $this->stretches === []
                ? $this->layout->run->size
                : $this->stretches[count($this->stretches) - 1]->leg->line->size;
    }

    /** Gives the smallest size that it has anywhere. */
    public function smallestSize(): string
    {
        $size = $this->size();
        foreach ($this->stretches as $stretch) {
            $other = $stretch->leg->line->size;
            $size = $other !== $size && Nominal::mm($other) < Nominal::mm($size) ? $other : $size;
        }

        return $size;
    }

    /** Gives its flattest fall in mm per m of plan, over its level stretches; null where it has none. */
    public function leastFallMmPerM(): ?float
    {
        $least = null;
        foreach ($this->stretches as $stretch) {
            if (! $stretch->isUpright()) {
                $fall = $stretch->fallMmPerM();
                $least = $least === null ? $fall : min($least, $fall);
            }
        }

        return $least;
    }

    /** Whether it has an upright stretch. */
    public function hasUpright(): bool
    {
        foreach ($this->stretches as $stretch) {
            if ($stretch->isUpright()) {
                return true;
            }
        }

        return false;
    }

    /** Gives its first leg in the direction of flow, or null where it has none. */
    public function firstLeg(): ?LegLaid
    {
        return ($this->stretches[0] ?? null)?->leg;
    }
}
