<?php

declare(strict_types=1);

namespace FallBend\Core\Network;

use FallBend\Core\Catalog\Catalogue;
use FallBend\Core\Job\Obstacle;
use FallBend\Core\Layout\JobLayout;
use FallBend\Core\Verdict\Where;

/** All pipes of a job as they hang together, with what flows in each and how air comes to every trap. */
final readonly class Network
{
    /** @var array<string, list<Segment>> all of them, by id of the run that they are of */
    private array $byRun;

    /** @var array<string, Stack> by id of the run that it is */
    private array $stacks;

    /**
     * @param list<Node> $nodes upstream before downstream
     * @param list<Segment> $segments upstream before downstream
     * @param Connections $connections which of them flow into a place
     * @param AirWays $air how air comes to them
     * @param list<LoadedFixture> $heads
     * @param list<Node> $unknownHeads where something comes in that nobody said
     * @param array<string, list<Obstacle>> $obstacles by id of run
     * @param list<Crossing> $crossings where they are gone through or past: the drilling plan
     */
    public function __construct(
        public JobLayout $layout,
        public Catalogue $catalogue,
        public array $nodes,
        public array $segments,
        private Connections $connections,
        private AirWays $air,
        public array $heads,
        public array $unknownHeads,
        public array $obstacles,
        public array $crossings,
    ) {
        $byRun = [];
        foreach ($segments as $segment) {
            $byRun[$segment->run()][] = $segment;
        }
        $this->byRun = $byRun;
        $this->stacks = array_filter(array_map(Stack::of(...), $layout->runs));
    }

    /** @return list<Segment> that flow into a place */
    public function in(Node $node): array
    {
        return $this->connections->in($node);
    }

    /**
     * @return list<Segment> that flow out of a place: one of a drain; where vents part, the run that it stands in first
     */
    public function out(Node $node): array
    {
        return $this->connections->out($node);
    }

    /** Gives the pipe that waste leaves a place by, or null. */
    public function drain(Node $node): ?Segment
    {
        return $this->connections->drain($node);
    }

    /** Gives the best way for air to come to a place; null: none. */
    public function air(Node $node): ?Air
    {
        return $this->air->at($node);
    }

    /** Gives the pipe that the air of a pipe comes by; null where it comes in at its own end. */
    public function airBefore(Segment $segment): ?Segment
    {
        return $this->air->before($segment);
    }

    /** Gives the arm from a fixture's trap to its vent; null where it has no trap. */
    public function arm(LoadedFixture $head): ?Arm
    {
        return $this->air->arm($head);
    }

    /** @return list<Arm> of the traps that a segment vents */
    public function vents(Segment $segment): array
    {
        return $this->air->vents($segment);
    }

    /** @return list<Segment> those of a run */
    public function ofRun(string $run): array
    {
        return $this->byRun[$run] ?? [];
    }

    /** @return array<string, Stack> all stacks, by id of the run that each is */
    public function stacks(): array
    {
        return $this->stacks;
    }

    /** Gives the stack that a run is; null where it is none. */
    public function stack(string $run): ?Stack
    {
        return $this->stacks[$run] ?? null;
    }

    /** Gives the place on a run that a finding speaks of. */
    public function where(string $run, float $tapeMm): Where
    {
        $layout = $this->layout->runs[$run];
        $leg = null;
        foreach ($layout->legs as $candidate) {
            if ($leg === null || $candidate->tapeMm <= $tapeMm + 0.001) {
                $leg = $candidate;
            }
        }

        return new Where($leg?->line->number, $leg?->line->leg->id, tapeMm: $tapeMm, run: $run);
    }

    /** Gives the middle of a segment as such a place. */
    public function whereOf(Segment $segment): Where
    {
        return $this->where($segment->run(), ($segment->fromMm + $segment->toMm) / 2);
    }

    /** Gives a node as such a place, on its own run. */
    public function whereNode(Node $node): Where
    {
        return $this->where($node->run, $node->tapeMm);
    }
}
