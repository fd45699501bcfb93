<?php

declare(strict_types=1);

namespace FallBend\Core\MakeUp;

use FallBend\Core\Effort\Effort;

/**
 * Whether pieces can be put together, and in what order. Pieces that are joined are one body; what is fixed is one body
 * from the
 * start. A step brings two bodies together, and makes every joint between them at once: pushed joints among those must
 * all go
 * the same way, and one of the two bodies must be free to move. A joint inside one body, as the last of a line that is
 * fixed at
 * both ends, can only be one that needs no room along the pipe.
 *
 * Whether there is an order is known at once (Disassembly). Where there is one, it is gone step by step: two bodies are
 * joined
 * if the rest still goes together then, few joints at once first, and on the bench before in place.
 */
final class AssemblyOrder
{
    /** Steps of the search: a line, however long, takes a few for each joint; only rings need more. */
    private const MOST = 2_000_000;

    /** @var list<Move> */
    private array $moves = [];

    /** @var list<string> joints that cannot be made, whatever comes first */
    private array $left = [];

    private readonly Effort $effort;

    /** @var array<string, array{int, bool}> the line along which a joint is pushed */
    private readonly array $lines;

    /**
     * @param list<string> $pieces
     * @param list<PlannedJoint> $joints
     * @param list<string> $fixed pieces that stand already
     */
    public function __construct(
        private readonly array $pieces,
        private readonly array $joints,
        private readonly array $fixed,
        ?Effort $effort = null,
    ) {
        $this->effort = $effort ?? Effort::of(self::MOST);
        $this->lines = Disassembly::linesOf($joints);
    }

    /** @return list<Move>|null in order; null where there is none, or none is known (`isWhole`) */
    public function find(): ?array
    {
        $body = $this->bodies();
        // Joints between two pieces that are fixed: nothing can move there.
        $isInside = static fn (PlannedJoint $joint): bool => $body[$joint->a] === $body[$joint->b];
        $inside = array_values(array_filter($this->joints, $isInside));
        $open = array_values(array_filter($this->joints, static fn (PlannedJoint $joint): bool => ! $isInside($joint)));
        $this->left = $this->stuck($body, $inside, $open);
        if ($this->left !== [] || $this->effort->isSpent()) {
            return null;
        }
        $this->moves = $inside === [] ? [] : [new Move([], self::ids($inside), null, 0.0, false)];
        [$body, $open] = $this->onTheBench($body, $open);
        while ($open !== []) {
            $next = $this->next($body, $open);
            if ($next === null) {
                $this->left = self::ids($open);

                return null;
            }
            [$this->moves[], $body, $open] = $next;
        }

        return $this->moves;
    }

    /** Whether the search came to its end: where it did not, an order that was not found may be there all the same. */
    public function isWhole(): bool
    {
        return ! $this->effort->isSpent();
    }

    /**
     * @return list<string> where there is no order: the joints that hold each other, so that none of them can be made
     *     last
     */
    public function left(): array
    {
        return $this->left;
    }

    /** @return array<string, int> number of the body by piece; what is fixed is one body, with the lowest */
    private function bodies(): array
    {
        $body = [];
        foreach ($this->pieces as $i => $piece) {
            $body[$piece] = in_array($piece, $this->fixed, true) ? -1 : $i;
        }

        return $body;
    }

    /**
     * @param array<string, int> $body by piece
     * @param list<PlannedJoint> $inside
     * @param list<PlannedJoint> $open
     * @return list<string> ids of the joints that cannot be made
     */
    private function stuck(array $body, array $inside, array $open): array
    {
        $stuck = self::ids(
            array_values(array_filter($inside, static fn (PlannedJoint $joint): bool => ! $joint->isFree())),
        );
        foreach ((new Disassembly($body, $open, $this->lines))->stuck($this->effort) ?? [] as $part) {
            array_push($stuck, ...array_map(static fn (int $i): string => $open[$i]->id, $part));
        }

        return $stuck;
    }

    /**
     * Makes what can be made on the bench whatever else comes: bodies that nothing but their own joint holds together.
     * What
     * goes together goes together after that, too: a step of one side takes the other side along.
     *
     * @param array<string, int> $body by piece
     * @param list<PlannedJoint> $open
     * @return array{array<string, int>, list<PlannedJoint>}
     */
    private function onTheBench(array $body, array $open): array
    {
        $bridges = Bridges::between(
            array_map(static fn (PlannedJoint $joint): array => [$body[$joint->a], $body[$joint->b]], $open),
        );
        foreach (self::between($body, $open) as $pair => $joints) {
            if (! isset($bridges[$pair]) || str_starts_with($pair, '-1')) {
                continue;
            }
            $move = self::move($body, $joints);
            if ($move !== null) {
                $this->moves[] = $move;
                $body = self::joined($body, $joints[0]);
            }
        }

        return [
            $body,
            array_values(
                array_filter($open, static fn (PlannedJoint $joint): bool => $body[$joint->a] !== $body[$joint->b]),
            ),
        ];
    }

    /**
     * @param array<string, int> $body
     * @return array<string, int> with the two bodies of a joint as one
     */
    private static function joined(array $body, PlannedJoint $joint): array
    {
        [$one, $other] = [min($body[$joint->a], $body[$joint->b]), max($body[$joint->a], $body[$joint->b])];
        foreach ($body as $piece => $of) {
            if ($of === $other) {
                $body[$piece] = $one;
            }
        }

        return $body;
    }

    /**
     * The first step after which the rest still goes together.
     *
     * @param array<string, int> $body by piece
     * @param list<PlannedJoint> $open
     * @return array{Move, array<string, int>, list<PlannedJoint>}|null null: no effort left
     */
    private function next(array $body, array $open): ?array
    {
        foreach (self::between($body, $open) as $joints) {
            $move = self::move($body, $joints);
            if ($move === null) {
                continue;
            }
            $after = self::joined($body, $joints[0]);
            $rest = array_values(
                array_filter($open, static fn (PlannedJoint $joint): bool => $after[$joint->a] !== $after[$joint->b]),
            );
            if ((new Disassembly($after, $rest, $this->lines))->stuck($this->effort) === []) {
                return [$move, $after, $rest];
            }
        }

        return null;
    }

    /**
     * @param array<string, int> $body
     * @param list<PlannedJoint> $open
     * @return array<string, non-empty-list<PlannedJoint>> those between every two bodies, by `lower higher`; few at
     *     once first, and on
     *                                                     the bench before in place
     */
    private static function between(array $body, array $open): array
    {
        $between = [];
        foreach ($open as $joint) {
            $between[
                min($body[$joint->a], $body[$joint->b]).' '.max($body[$joint->a], $body[$joint->b])
            ][] = $joint;
        }
        $rank = static fn (string $pair): array => [count($between[$pair]), str_starts_with($pair, '-1')];
        uksort($between, static fn (string $a, string $b): int => $rank($a) <=> $rank($b));

        return $between;
    }

    /**
     * How the second of two bodies goes onto the first one; null where it cannot. What is fixed is never the second.
     *
     * @param array<string, int> $body
     * @param non-empty-list<PlannedJoint> $joints all between the two
     */
    private static function move(array $body, array $joints): ?Move
    {
        [$a, $b] = [$body[$joints[0]->a], $body[$joints[0]->b]];
        $moving = max($a, $b);
        [$along, $mm] = [null, 0.0];
        foreach ($joints as $joint) {
            if ($joint->isFree()) {
                continue;
            }
            // In the direction of the body that moves: it has `b`, or it is pushed the other way.
            $way = $body[$joint->b] === $moving ? $joint->axis : $joint->axis->times(-1.0);
            if ($along !== null && $along->dot($way) < Disassembly::ALONG) {
                return null;
            }
            $along ??= $way;
            $mm = max($mm, $joint->depthMm);
        }

        return new Move(
            array_map(strval(...), array_keys($body, $moving, true)),
            self::ids($joints),
            $along,
            $mm,
            min($a, $b) !== -1,
        );
    }

    /**
     * @param list<PlannedJoint> $joints
     * @return list<string>
     */
    private static function ids(array $joints): array
    {
        return array_map(static fn (PlannedJoint $joint): string => $joint->id, $joints);
    }
}
