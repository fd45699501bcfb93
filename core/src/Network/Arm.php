<?php

declare(strict_types=1);

namespace FallBend\Core\Network;

/**
 * The way from the outlet of a trap to where air meets it. Lengths in mm, developed, from the start of the run to the
 * centre of the fitting.
 */
final class Arm
{
    private ?string $size = null;

    /**
     * @param list<Segment> $segments
     * @param float $dropMm how far it falls
     * @param float $turnDeg the turns on the way, added up
     * @param float $uprightMm how much of it is upright
     * @param ?float $steepestMmPerM of its level stretches
     * @param ?Node $vent where air meets it; null: nowhere
     * @param ?Segment $by the segment that the air comes by
     */
    public function __construct(
        public readonly LoadedFixture $head,
        public readonly array $segments,
        public readonly float $lengthMm,
        public readonly float $dropMm,
        public readonly float $turnDeg,
        public readonly float $uprightMm,
        public readonly ?float $steepestMmPerM,
        public readonly ?Node $vent,
        public readonly ?Segment $by,
    ) {}

    /** Gives the size of its pipe at the trap. */
    public function size(): string
    {
        return $this->size ??=
            $this->segments === [] ? '' : $this->segments[0]->firstLeg()->line->size ?? $this->segments[0]->size();
    }

    /** Gives the pipe that it ends by; null where it has none. */
    public function last(): ?Segment
    {
        return $this->segments === [] ? null : $this->segments[count($this->segments) - 1];
    }

    /** Whether its vent is looped down from it, as that of an island is: air comes up it from its lower end. */
    public function isLooped(): bool
    {
        return $this->by?->isLooped === true && $this->by->up === $this->vent;
    }

    /** Whether the air that meets it comes through pipe that waste runs in. */
    public function isWetVented(): bool
    {
        return $this->by !== null && $this->by->isWet;
    }

    /** Whether a ventilating pipe of its own meets it, and not a stack. */
    public function isVentedBefore(): bool
    {
        return $this->by !== null && ! $this->by->isWet && $this->by->isCalledVent();
    }
}
