<?php

declare(strict_types=1);

namespace FallBend\Core\MakeUp;

use FallBend\Core\Effort\Effort;

/**
 * Whether pieces that are joined can be taken apart again, and so be put together: an order of taking apart, backwards,
 * is an
 * order of putting together.
 *
 * One step parts a body in two that move away from each other along one line. Every pushed joint between the two must
 * lie
 * along that line, the same way round; a joint that needs no room along the pipe may be anywhere. Of what can be taken
 * apart
 * every part can be taken apart, by the same steps: so any step that can be made is a good one, nothing needs to be
 * tried
 * twice, and what is left when there is no step more is stuck whatever comes first.
 *
 * For one line the steps are found at once: pieces whose joint is not along it stay together; of the rest, pieces that
 * hold
 * each other both ways round stay together too
 * (the strongly connected components of the graph in which an arc leads from
 * what stays to what is drawn off; Tarjan 1972). The time grows with pieces times joints times lines at the most.
 */
final class Disassembly
{
    /** Directions within this are one line, as a cosine: a tenth of a degree. */
    public const ALONG = 0.999998;

    /** What lies between two pieces: a joint that needs no room. */
    private const FREE = -1;

    /** In place of the number of a body that another is joined to. */
    private const SEVERAL = -2;

    /**
     * @var list<array{int, int, int}> from, to, line (FREE, or its number); `to` is drawn off in the direction of the
     *     line
     */
    private array $arcs = [];

    private readonly int $lines;

    /**
     * @param array<string, int> $body by piece; pieces of one number are one already
     * @param list<PlannedJoint> $joints between different bodies
     * @param array<string, array{int, bool}> $lines by joint, as `linesOf` gives them
     */
    public function __construct(array $body, array $joints, array $lines)
    {
        foreach ($joints as $joint) {
            [$line, $isBackwards] = $lines[$joint->id] ?? [self::FREE, false];
            $ends = [$body[$joint->a], $body[$joint->b]];
            $this->arcs[] = $isBackwards ? [$ends[1], $ends[0], $line] : [$ends[0], $ends[1], $line];
        }
        $this->lines =
            1 + array_reduce($this->arcs, static fn (int $most, array $arc): int => max($most, $arc[2]), self::FREE);
    }

    /**
     * Gives the line along which every joint is pushed, by its number, and whether it is pushed against it.
     *
     * @param list<PlannedJoint> $joints
     * @return array<string, array{int, bool}> by id of the joint; without those that need no room
     */
    public static function linesOf(array $joints): array
    {
        [$axes, $lines] = [[], []];
        foreach ($joints as $joint) {
            if ($joint->isFree()) {
                continue;
            }
            foreach ($axes as $line => $axis) {
                $cosine = $axis->dot($joint->axis);
                if (abs($cosine) >= self::ALONG) {
                    $lines[$joint->id] = [$line, $cosine < 0];

                    continue 2;
                }
            }
            $lines[$joint->id] = [count($axes), false];
            $axes[] = $joint->axis;
        }

        return $lines;
    }

    /**
     * Takes apart as far as it goes; gives the bodies that are left and hold each other, as the indexes of the joints
     * among
     * them. None: everything comes apart. Null where the effort was used up before that was known.
     *
     * @return list<non-empty-list<int>>|null
     */
    public function stuck(Effort $effort): ?array
    {
        $stuck = [];
        $open = [array_keys($this->arcs)];
        while ($open !== []) {
            $joints = array_pop($open);
            $joints = $this->withoutLeaves($joints, $effort);
            if ($joints === null) {
                return null;
            }
            if ($joints === []) {
                continue;
            }
            $parts = $this->parted($joints, $effort);
            if ($parts === null) {
                return null;
            }
            if ($parts === false) {
                $stuck[] = $joints;
            } else {
                array_push($open, ...$parts);
            }
        }

        return $stuck;
    }

    /**
     * A body that is joined to one other only, all the same way, comes off.
     *
     * @param list<int> $joints
     * @return list<int>|null without the joints of those; null: no effort left
     */
    private function withoutLeaves(array $joints, Effort $effort): ?array
    {
        do {
            if (! $effort->spend(1 + intdiv(count($joints), 8))) {
                return null;
            }
            $neighbour = [];
            foreach ($joints as $i) {
                [$a, $b] = $this->arcs[$i];
                foreach ([[$a, $b], [$b, $a]] as [$one, $other]) {
                    $neighbour[$one] = ($neighbour[$one] ?? $other) === $other ? $other : self::SEVERAL;
                }
            }
            $before = count($joints);
            $bundles = [];
            foreach ($joints as $i) {
                [$a, $b] = $this->arcs[$i];
                if ($neighbour[$a] !== self::SEVERAL || $neighbour[$b] !== self::SEVERAL) {
                    $bundles[min($a, $b).' '.max($a, $b)][] = $i;
                }
            }
            $off = [];
            foreach ($bundles as $bundle) {
                if ($this->comesOff($bundle)) {
                    $off += array_flip($bundle);
                }
            }
            $joints = array_values(array_filter($joints, static fn (int $i): bool => ! isset($off[$i])));
        } while (count($joints) < $before);

        return $joints;
    }

    /** @param non-empty-list<int> $bundle all joints between two bodies */
    private function comesOff(array $bundle): bool
    {
        $way = null;
        foreach ($bundle as $i) {
            if ($this->arcs[$i][2] === self::FREE) {
                continue;
            }
            if ($way !== null && $way !== $this->arcs[$i]) {
                return false;
            }
            $way = $this->arcs[$i];
        }

        return true;
    }

    /**
     * Parts a body along the first line that parts it.
     *
     * @param non-empty-list<int> $joints
     * @return list<non-empty-list<int>>|false|null the joints inside each part; false: no line parts it; null: no
     *     effort left
     */
    private function parted(array $joints, Effort $effort): array|false|null
    {
        for ($line = self::FREE; $line < $this->lines; $line++) {
            if (! $effort->spend(1 + intdiv(count($joints), 4))) {
                return null;
            }
            $part = $this->partsAlong($joints, $line);
            if (count(array_unique($part)) > 1) {
                $inside = [];
                foreach ($joints as $i) {
                    [$a, $b] = $this->arcs[$i];
                    if ($part[$a] === $part[$b]) {
                        $inside[$part[$a]][] = $i;
                    }
                }

                return array_values($inside);
            }
        }

        return false;
    }

    /**
     * @param non-empty-list<int> $joints
     * @return array<int, int> number of the part that a body stays in when everything that can is drawn off along a
     *     line
     */
    private function partsAlong(array $joints, int $line): array
    {
        // Bodies that a joint across the line holds together are one.
        $one = [];
        foreach ($joints as $i) {
            [$a, $b] = $this->arcs[$i];
            $one[$a] ??= $a;
            $one[$b] ??= $b;
        }
        $root = static function (int $body) use (&$one): int {
            while ($one[$body] !== $body) {
                $body = $one[$body] = $one[$one[$body]];
            }

            return $body;
        };
        foreach ($joints as $i) {
            [$a, $b, $along] = $this->arcs[$i];
            if ($along !== self::FREE && $along !== $line) {
                $one[$root($a)] = $root($b);
            }
        }
        $out = [];
        foreach ($joints as $i) {
            [$a, $b, $along] = $this->arcs[$i];
            if ($along === $line && $line !== self::FREE) {
                $out[$root($a)][] = $root($b);
            }
        }
        $roots = [];
        foreach (array_keys($one) as $body) {
            $roots[$body] = $root($body);
        }
        $component = self::components(array_values(array_unique($roots)), $out);

        return array_map(static fn (int $of): int => $component[$of], $roots);
    }

    /**
     * Strongly connected components, without recursion.
     *
     * @param list<int> $nodes
     * @param array<int, list<int>> $out
     * @return array<int, int> number of the component by node
     */
    private static function components(array $nodes, array $out): array
    {
        [$index, $low, $on, $stack, $component] = [[], [], [], [], []];
        foreach ($nodes as $start) {
            if (isset($index[$start])) {
                continue;
            }
            $path = [[$start, 0]];
            while ($path !== []) {
                $at = count($path) - 1;
                [$node, $next] = $path[$at];
                if ($next === 0) {
                    $index[$node] = $low[$node] = count($index);
                    $stack[] = $node;
                    $on[$node] = true;
                }
                $to = $out[$node][$next] ?? null;
                if ($to !== null) {
                    $path[$at][1]++;
                    if (! isset($index[$to])) {
                        $path[] = [$to, 0];
                    } elseif (isset($on[$to])) {
                        $low[$node] = min($low[$node], $index[$to]);
                    }

                    continue;
                }
                array_pop($path);
                if ($path !== []) {
                    $before = $path[$at - 1][0];
                    $low[$before] = min($low[$before], $low[$node]);
                }
                if ($low[$node] === $index[$node]) {
                    do {
                        $member = array_pop($stack);
                        unset($on[$member]);
                        $component[(int) $member] = $node;
                    } while ($member !== $node);
                }
            }
        }

        return $component;
    }
}
