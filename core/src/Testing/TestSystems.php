<?php

declare(strict_types=1);

namespace FallBend\Core\Testing;

use FallBend\Core\Job\RunEndKind;
use FallBend\Core\Layout\RunLayout;
use FallBend\Core\Network\Network;
use FallBend\Core\Network\Node;
use FallBend\Core\Network\Segment;

/** Takes a network apart into the systems of pipes that are tested by themselves. */
final readonly class TestSystems
{
    /** Ends where other runs of the job go on. */
    private const INNER = [RunEndKind::Branch, RunEndKind::Run];

    /** @return list<TestSystem> in the order in which their first runs were called out */
    public static function of(Network $network): array
    {
        $group = self::groups($network);
        [$segments, $nodes, $systems] = [[], [], []];
        foreach ($network->segments as $segment) {
            $segments[$group[$segment->up->index]][] = $segment;
        }
        foreach ($network->nodes as $node) {
            $nodes[$group[$node->index]][] = $node;
        }
        $order = array_flip(array_keys($network->layout->runs));
        foreach ($segments as $id => $of) {
            $systems[] = self::system($network, $of, $nodes[$id] ?? [], $order);
        }
        usort(
            $systems,
            static fn (TestSystem $a, TestSystem $b): int => $order[$a->id] <=> $order[$b->id],
        );

        return $systems;
    }

    /** @return array<int, int> what hangs together has the same number, by index of node */
    private static function groups(Network $network): array
    {
        $parent = [];
        foreach ($network->nodes as $node) {
            $parent[$node->index] = $node->index;
        }
        $root = static function (int $of) use (&$parent): int {
            while ($parent[$of] !== $of) {
                $of = $parent[$of] = $parent[$parent[$of]];
            }

            return $of;
        };
        foreach ($network->segments as $segment) {
            $parent[$root($segment->up->index)] = $root($segment->down->index);
        }
        $groups = [];
        foreach ($network->nodes as $node) {
            $groups[$node->index] = $root($node->index);
        }

        return $groups;
    }

    /**
     * @param non-empty-list<Segment> $segments
     * @param list<Node> $nodes
     * @param array<string, int> $order of the runs
     */
    private static function system(Network $network, array $segments, array $nodes, array $order): TestSystem
    {
        $runs = array_values(array_unique(array_map(static fn (Segment $one): string => $one->run(), $segments)));
        usort($runs, static fn (string $a, string $b): int => $order[$a] <=> $order[$b]);
        $pipes = array_merge(...array_map(static fn (Segment $one): array => self::pipes($network, $one), $segments));
        $openings = self::openings($network, $nodes);
        usort($openings, static fn (TestOpening $a, TestOpening $b): int => $b->heightMm <=> $a->heightMm);
        $low = array_map(static fn (TestPipe $pipe): float => $pipe->lowMm, $pipes);
        $joints = [];
        foreach ($runs as $run) {
            foreach ($network->layout->runs[$run]->joints as $joint) {
                $joints[] = $network->layout->offsets[$run]->z + $joint->at->z;
            }
        }

        return new TestSystem(
            $runs[0],
            $runs,
            $pipes,
            $openings,
            $low === [] ? 0.0 : min($low),
            $joints === [] ? 0.0 : max($joints),
        );
    }

    /** @return list<TestPipe> */
    private static function pipes(Network $network, Segment $segment): array
    {
        $offset = $network->layout->offsets[$segment->run()]->z;
        $pipes = [];
        foreach ($segment->stretches as $stretch) {
            $rise = $stretch->leg->line->direction->z;
            $ends = [
                $offset + $stretch->leg->from->z + $rise * $stretch->fromMm,
                $offset + $stretch->leg->from->z + $rise * $stretch->toMm,
            ];
            $pipe = $segment->layout->system->pipe($stretch->leg->line->size);
            $pipes[] = new TestPipe(
                $segment->run(),
                min($ends),
                max($ends),
                $stretch->lengthMm(),
                $pipe->isBoreKnown ? $pipe->boreMm : null,
            );
        }

        return $pipes;
    }

    /**
     * @param list<Node> $nodes
     * @return list<TestOpening>
     */
    private static function openings(Network $network, array $nodes): array
    {
        $openings = [];
        foreach ($nodes as $node) {
            if ($node->end === null || in_array($node->end->kind, self::INNER, true)) {
                continue;
            }
            $layout = $network->layout->runs[$node->run];
            $size = self::sizeAt($layout, $node->tapeMm);
            $pipe = $layout->system->pipe($size);
            $openings[] = new TestOpening(
                $node->run,
                $node->end->thing(),
                $node->end->kind,
                $size,
                $node->at->z,
                $pipe->outsideMm,
                $pipe->isBoreKnown ? $pipe->boreMm : null,
            );
        }

        return $openings;
    }

    private static function sizeAt(RunLayout $layout, float $tapeMm): string
    {
        return $layout->legs === [] ? $layout->run->size : $layout->legAt($tapeMm)->line->size;
    }
}
