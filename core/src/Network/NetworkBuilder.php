<?php

declare(strict_types=1);

namespace FallBend\Core\Network;

use FallBend\Core\Catalog\Catalogue;
use FallBend\Core\Catalog\Rulebook;
use FallBend\Core\Job\End;
use FallBend\Core\Job\RunEndKind;
use FallBend\Core\Layout\JobLayout;
use FallBend\Core\Layout\RunLayout;

/**
 * Hangs the laid-out runs together: cuts every run where another meets it, gives each stretch its direction of flow,
 * and then, in the order of flow
 * (Kahn, 1962, which leaves over what runs in a loop), adds up the loads and lets the air down from the terminals. Each
 * step takes time in proportion to the pipes.
 */
final class NetworkBuilder
{
    /** @var list<Node> */
    private array $nodes = [];

    /** @var list<Segment> */
    private array $segments = [];

    private readonly Connections $connections;

    /** @var array<string, Cuts> by run */
    private array $cuts = [];

    /** @var array<string, list<Node>> by run: those that stand in it where others meet it, along its tape */
    private array $met = [];

    /** @var array<string, array<string, Node>> by run and side */
    private array $ends = [];

    /** @var array<int, bool> by index of the place where a pipe that stands leads down: whether it is only a vent */
    private array $standing = [];

    private function __construct(
        private readonly JobLayout $layout,
        private readonly Catalogue $catalogue,
        private readonly Rulebook $rulebook,
    ) {
        $this->connections = new Connections;
    }

    /** Takes a laid-out job; gives its network, with every arm walked. */
    public static function build(JobLayout $layout, Catalogue $catalogue, Rulebook $rulebook): Network
    {
        $builder = new self($layout, $catalogue, $rulebook);
        foreach ($layout->runs as $id => $run) {
            $builder->addNodes($id, $run);
        }
        foreach ($layout->runs as $id => $run) {
            $builder->addSegments($id, $run);
        }

        return $builder->flow(...$builder->inOrder());
    }

    private function addNodes(string $id, RunLayout $run): void
    {
        $offset = $this->layout->offsets[$id];
        $this->cuts[$id] = Cuts::of($run);
        $this->met[$id] = [];
        foreach ($this->cuts[$id]->junctions as [$tape, $at, $junction]) {
            $node = $this->add(new Node(count($this->nodes), $id, $tape, $offset->plus($at), null, $junction));
            $this->met[$id][] = $node;
            foreach ($junction->taps as $tap) {
                $this->ends[$tap->run][$tap->side] = $node;
            }
        }
        // Where another run's fitting is laid out later it takes the place of this end, which then hangs in nothing.
        $outlet = $run->run->outlet;
        if (! isset($this->ends[$id]['outlet'])) {
            $node = $this->add(new Node(count($this->nodes), $id, 0.0, $offset, $outlet, null));
            $this->ends[$id]['outlet'] = $node;
            $this->noteStanding($node, $run);
        }
        if ($run->run->tieIn->next === null && ! isset($this->ends[$id]['tie-in'])) {
            $at = $offset->plus($run->end);
            $tieIn = $this->add(new Node(count($this->nodes), $id, $run->tapeMm, $at, $run->run->tieIn, null));
            $this->ends[$id]['tie-in'] = $tieIn;
        }
    }

    /** Notes where a run leads down from a pipe that stands: air may come by it. */
    private function noteStanding(Node $outlet, RunLayout $run): void
    {
        $above = $this->layout->job->standingPipe($outlet->end?->standing);
        if ($above !== null && ($run->legs[0] ?? null)?->isUpright() === true) {
            $this->standing[$outlet->index] = $above->isVent;
        }
    }

    private function addSegments(string $id, RunLayout $run): void
    {
        $last =
            $run->run->tieIn->next === null
                ? $this->ends[$id]['tie-in']
                : $this->ends[$run->run->tieIn->next]['outlet'] ?? null;
        if ($last === null) {
            return;
        }
        $isReversed = $run->isAgainstFlow();
        $nodes = [...$this->met[$id], $last];
        $a = $this->ends[$id]['outlet'];
        $from = 0.0;
        foreach ($this->cuts[$id]->stretches as $i => $stretches) {
            $b = $nodes[$i];
            $to = $i === count($nodes) - 1 ? $run->tapeMm : $b->tapeMm;
            [$up, $down] = $isReversed ? [$b, $a] : [$a, $b];
            $segment = new Segment(count($this->segments), $run, $from, $to, $stretches, $isReversed, $up, $down);
            $this->segments[] = $segment;
            $this->connections->add($segment);
            [$a, $from] = [$b, $to];
        }
    }

    /**
     * @param list<Node> $nodes upstream before downstream
     * @param list<Segment> $segments upstream before downstream
     */
    private function flow(array $nodes, array $segments): Network
    {
        [$heads, $unknown] = $this->loads($nodes);
        $groups = $this->catalogue->fixtures()->groups($this->rulebook->id);
        foreach ($segments as $segment) {
            Loads::sum($segment, $groups);
        }
        $this->stacks($segments);
        $air = new AirWays($this->connections, $this->standing);
        foreach ($nodes as $node) {
            $air->letDownTo($node);
        }
        $walker = new ArmWalker($this->connections, $air);
        foreach ($heads as $head) {
            $air->add($walker->walk($head));
        }
        $obstacles = [];
        foreach ($this->layout->job->obstacles as $obstacle) {
            // What a run taken out went through stays in the job file, and waits for it to come back.
            if (isset($this->layout->runs[$obstacle->run])) {
                $obstacles[$obstacle->run][] = $obstacle;
            }
        }

        return new Network(
            $this->layout,
            $this->catalogue,
            $nodes,
            $segments,
            $this->connections,
            $air,
            $heads,
            $unknown,
            $obstacles,
            Crossings::find($this->layout, $obstacles, $this->rulebook),
        );
    }

    /** @return array{list<Node>, list<Segment>} upstream before downstream; what runs in a loop comes last */
    private function inOrder(): array
    {
        $waiting = array_map(fn (Node $node): int => count($this->connections->in($node)), $this->nodes);
        $isFirst = fn (Node $node): bool => $this->connections->in($node) === [];
        $nodes = array_values(array_filter($this->nodes, $isFirst));
        $segments = [];
        for ($i = 0; $i < count($nodes); $i++) {
            foreach ($this->connections->out($nodes[$i]) as $segment) {
                $segments[] = $segment;
                if (--$waiting[$segment->down->index] === 0) {
                    $nodes[] = $segment->down;
                }
            }
        }

        return [$nodes, $segments];
    }

    /**
     * @param list<Node> $nodes upstream before downstream
     * @return array{list<LoadedFixture>, list<Node>} fixtures, and places where something comes in that nobody said
     */
    private function loads(array $nodes): array
    {
        [$heads, $unknown] = [[], []];
        foreach ($nodes as $node) {
            $drain = $this->connections->drain($node);
            if ($drain === null) {
                continue;
            }
            [$in, $fixture] = [$this->connections->in($node), $node->end?->fixture];
            if ($fixture !== null && $node->end !== null && $in === []) {
                $head = new LoadedFixture(
                    $node,
                    $fixture,
                    $node->end->what,
                    $this->catalogue->fixtures()->load($fixture->kind, $this->rulebook->id, $fixture->variant),
                );
                $heads[] = $head;
                $drain->heads[] = $head;
                $drain->isWet = true;
            } elseif (
                $in === [] &&
                $node->end !== null &&
                in_array(
                    $node->end->kind,
                    [RunEndKind::Socket, RunEndKind::TrapAdapter, RunEndKind::Plain, RunEndKind::Standing],
                    true,
                ) &&
                ! $drain->isCalledVent() &&
                ! ($this->standing[$node->index] ?? false)
            ) {
                $unknown[] = $node;
                $drain->isWet = true;
                $drain->isLoadKnown = false;
            }
            foreach ($in as $segment) {
                if ($segment->isWet) {
                    $drain->isWet = true;
                    array_push($drain->heads, ...$segment->heads);
                    $drain->isLoadKnown = $drain->isLoadKnown && $segment->isLoadKnown;
                }
            }
        }

        return [$heads, $unknown];
    }

    /** @param list<Segment> $segments */
    private function stacks(array $segments): void
    {
        foreach (array_reverse($segments) as $segment) {
            $next = $this->connections->drain($segment->down);
            $segment->isAboveStack = $next !== null && ($next->isAboveStack || self::isStack($next));
        }
    }

    /** An upright pipe that several pipes discharge into; the drop at the end of one arm is none. */
    private static function isStack(Segment $segment): bool
    {
        return $segment->hasUpright() && $segment->up->junction !== null;
    }

    private function add(Node $node): Node
    {
        return $this->nodes[] = $node;
    }
}
