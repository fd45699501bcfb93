<?php

declare(strict_types=1);

namespace FallBend\Core\Network;

/** Which pipes of a network flow into a place, and which out of it. */
final class Connections
{
    /** @var array<int, list<Segment>> by index of the place */
    private array $in = [];

    /**
     * @var array<int, list<Segment>> by index of the place; of a drain one, where vents part the run that the place
     *     stands in first
     */
    private array $out = [];

    /** Hangs a pipe between its two places. */
    public function add(Segment $segment): void
    {
        $this->in[$segment->down->index][] = $segment;
        // Waste goes on in the run that a junction stands in; a vent that parts from it there comes after.
        if ($segment->up->run === $segment->run()) {
            $this->out[$segment->up->index] = [$segment, ...$this->out[$segment->up->index] ?? []];
        } else {
            $this->out[$segment->up->index][] = $segment;
        }
    }

    /** @return list<Segment> that flow into a place */
    public function in(Node $node): array
    {
        return $this->in[$node->index] ?? [];
    }

    /**
     * @return list<Segment> that flow out of a place: one of a drain; where vents part, the run that it stands in first
     */
    public function out(Node $node): array
    {
        return $this->out[$node->index] ?? [];
    }

    /** Gives the pipe that waste leaves a place by, or null. */
    public function drain(Node $node): ?Segment
    {
        return $this->out[$node->index][0] ?? null;
    }
}
