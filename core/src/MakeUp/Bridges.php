<?php

declare(strict_types=1);

namespace FallBend\Core\MakeUp;

/**
 * The connections of a graph that hold two parts of it together all by themselves
 * (Tarjan, A note on finding the bridges of a
 * graph, 1974). Several edges between the same two nodes are one connection. Time and room grow with the edges.
 */
final class Bridges
{
    /**
     * @param list<array{int, int}> $edges
     * @return array<string, true> by `lower higher`, the numbers of the two nodes
     */
    public static function between(array $edges): array
    {
        $next = [];
        foreach ($edges as [$a, $b]) {
            $next[$a][$b] = true;
            $next[$b][$a] = true;
        }
        [$index, $low, $bridges] = [[], [], []];
        foreach (array_keys($next) as $start) {
            if (isset($index[$start])) {
                continue;
            }
            $index[$start] = $low[$start] = count($index);
            $path = [[$start, null, array_keys($next[$start])]];
            while ($path !== []) {
                $at = count($path) - 1;
                [$node, $from] = $path[$at];
                $to = array_pop($path[$at][2]);
                if ($to === null) {
                    array_pop($path);
                    if ($from !== null) {
                        $low[$from] = min($low[$from], $low[$node]);
                        if ($low[$node] > $index[$from]) {
                            $bridges[min($from, $node).' '.max($from, $node)] = true;
                        }
                    }
                } elseif (! isset($index[$to])) {
                    $index[$to] = $low[$to] = count($index);
                    $path[] = [$to, $node, array_keys($next[$to])];
                } elseif ($to !== $from) {
                    $low[$node] = min($low[$node], $index[$to]);
                }
            }
        }

        return $bridges;
    }
}
