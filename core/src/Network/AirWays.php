<?php

declare(strict_types=1);

namespace FallBend\Core\Network;

/** How air comes to the places of a network, and which traps it comes to. */
final class AirWays
{
    /** @var array<int, Air> the best way to each place, by its index */
    private array $at = [];

    /** @var array<int, Arm> by index of the place where a fixture stands */
    private array $arms = [];

    /** @var array<int, list<Arm>> by index of the segment that vents them */
    private array $vents = [];

    /**
     * @param array<int, bool> $standing by index of the place where a pipe that stands leads down: whether it is a vent
     */
    public function __construct(private readonly Connections $connections, private readonly array $standing = []) {}

    /** Lets the air down to a place from those above it: these come first. */
    public function letDownTo(Node $node): void
    {
        $in = $this->connections->in($node);
        // Whether air comes in here; null: it does not.
        $isKnown = $node->end?->isOpenToAir() === true ? true : $this->standing[$node->index] ?? null;
        $best = $in === [] && $isKnown !== null ? new Air($node, 0.0, false, null, $isKnown) : null;
        foreach ($in as $segment) {
            $segment->hasAirAbove = isset($this->at[$segment->up->index]);
            $air = $this->down($segment);
            $best = $air !== null && $air->isBetterThan($best) ? $air : $best;
        }
        if ($best !== null) {
            $this->at[$node->index] = $best;
        }
    }

    /** Gives the best way for air to come to a place; null: none. */
    public function at(Node $node): ?Air
    {
        return $this->at[$node->index] ?? null;
    }

    /** Gives the way in which air comes down a segment to its lower end; null where none comes to its upper end. */
    public function down(Segment $segment): ?Air
    {
        $from = $this->at($segment->up);

        return $from === null
            ? null
            : new Air(
                $from->terminal,
                $from->lengthMm + $segment->lengthMm(),
                $from->isWet || $segment->isWet,
                $segment,
                $from->isKnown,
            );
    }

    /**
     * Gives the vent that leaves a drain at a place, goes up and comes down again to where air meets it, as that of an
     * island does; null where none does.
     */
    public function loop(Node $node): ?Segment
    {
        foreach ($this->connections->out($node) as $segment) {
            $below = $segment->isCalledVent() && ! $segment->isWet ? $this->at($segment->down) : null;
            if ($below?->by !== null && $below->by !== $segment && ! $below->isWet) {
                return $segment;
            }
        }

        return null;
    }

    /** Takes the arm of a trap, and marks the pipes that its air comes by. */
    public function add(Arm $arm): void
    {
        $this->arms[$arm->head->node->index] = $arm;
        for ($segment = $arm->by; $segment !== null; $segment = $this->before($segment)) {
            $this->vents[$segment->index][] = $arm;
            $segment->isVent = true;
        }
    }

    /** Gives the pipe that the air of a pipe comes by; null where it comes in at its own end. */
    public function before(Segment $segment): ?Segment
    {
        return $this->at($segment->isLooped ? $segment->down : $segment->up)?->by;
    }

    /** Gives the arm from a fixture's trap to its vent; null where it has no trap. */
    public function arm(LoadedFixture $head): ?Arm
    {
        return $this->arms[$head->node->index] ?? null;
    }

    /** @return list<Arm> of the traps that a segment vents */
    public function vents(Segment $segment): array
    {
        return $this->vents[$segment->index] ?? [];
    }
}
