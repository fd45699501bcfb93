<?php

declare(strict_types=1);

namespace FallBend\Core\MakeUp;

/**
 * Whether pieces can be put together, and in what order. Pieces that are joined are one body; what is fixed is one body from the start. A step brings two bodies
 * together, and makes every joint between them at once: pushed joints among those must all go the same way, and one of the two bodies must be free to move.
 * A joint inside one body, as the last of a line that is fixed at both ends, can only be one that needs no room along the pipe.
 * The order is searched depth first; which bodies there are says all that matters of how they came about, so none is gone into twice.
 */
final class AssemblyOrder
{
    /** Directions within this are one, as a cosine: a tenth of a degree. */
    private const ALONG = 0.999998;

    /** Bodies that the search may look at. A line, however long, takes one for each joint; only rings need more. */
    private const MOST = 200_000;

    /** @var array<string, true> bodies that lead nowhere */
    private array $dead = [];

    /** @var list<Move> */
    private array $moves = [];

    /** @var list<string> joints that were left when the search came furthest */
    private array $left = [];

    /**
     * @param list<string> $pieces
     * @param list<PlannedJoint> $joints
     * @param list<string> $fixed pieces that stand already
     * @param int $most bodies that the search may look at
     */
    public function __construct(private readonly array $pieces, private readonly array $joints, private readonly array $fixed, private readonly int $most = self::MOST) {}

    /** @return list<Move>|null in order; null where there is none */
    public function find(): ?array
    {
        $body = [];
        foreach ($this->pieces as $i => $piece) {
            // What is fixed is one body, with the lowest number.
            $body[$piece] = in_array($piece, $this->fixed, true) ? -1 : $i;
        }
        // Joints between two pieces that are fixed: nothing can move there.
        $inside = array_values(array_filter($this->joints, static fn (PlannedJoint $joint): bool => $body[$joint->a] === $body[$joint->b]));
        $stuck = array_values(array_filter($inside, static fn (PlannedJoint $joint): bool => ! $joint->isFree()));
        if ($stuck !== []) {
            $this->left = self::ids($stuck);

            return null;
        }
        $this->left = self::ids($this->joints);
        $this->moves = $inside === [] ? [] : [new Move([], self::ids($inside), null, 0.0, false)];

        return $this->go($body, array_values(array_udiff($this->joints, $inside, static fn (PlannedJoint $a, PlannedJoint $b): int => $a->id <=> $b->id))) ? $this->moves : null;
    }

    /** Whether the search came to its end: where it did not, an order that was not found may be there all the same. */
    public function isWhole(): bool
    {
        return count($this->dead) <= $this->most;
    }

    /** @return list<string> where there is no order: the joints that could not be made when the search came furthest */
    public function left(): array
    {
        return $this->left;
    }

    /**
     * @param array<string, int> $body by piece
     * @param list<PlannedJoint> $open
     */
    private function go(array $body, array $open): bool
    {
        if ($open === []) {
            return true;
        }
        if (count($open) < count($this->left)) {
            $this->left = self::ids($open);
        }
        $key = implode(' ', $body);
        if (isset($this->dead[$key]) || count($this->dead) > $this->most) {
            return false;
        }
        foreach (self::between($body, $open) as $joints) {
            $move = self::move($body, $joints);
            if ($move === null) {
                continue;
            }
            [$one, $two] = [min($body[$joints[0]->a], $body[$joints[0]->b]), max($body[$joints[0]->a], $body[$joints[0]->b])];
            $depth = count($this->moves);
            $this->moves[] = $move;
            if ($this->go(array_map(static fn (int $of): int => $of === $two ? $one : $of, $body), array_values(array_filter($open, static fn (PlannedJoint $joint): bool => ! in_array($joint->id, $move->joints, true))))) {
                return true;
            }
            array_splice($this->moves, $depth);
        }
        $this->dead[$key] = true;

        return false;
    }

    /**
     * @param array<string, int> $body
     * @param list<PlannedJoint> $open
     * @return list<non-empty-list<PlannedJoint>> those between every two bodies; few at once first, and on the bench before in place
     */
    private static function between(array $body, array $open): array
    {
        $between = [];
        foreach ($open as $joint) {
            $between[min($body[$joint->a], $body[$joint->b]).' '.max($body[$joint->a], $body[$joint->b])][] = $joint;
        }
        uksort($between, static fn (string $a, string $b): int => [count($between[$a]), str_starts_with($a, '-1')] <=> [count($between[$b]), str_starts_with($b, '-1')]);

        return array_values($between);
    }

    /**
     * How the second of two bodies goes onto the first one; null where it cannot. What is fixed is never the second.
     *
     * @param array<string, int> $body
     * @param non-empty-list<PlannedJoint> $joints all between the two
     */
    private static function move(array $body, array $joints): ?Move
    {
        $moving = max($body[$joints[0]->a], $body[$joints[0]->b]);
        [$along, $mm] = [null, 0.0];
        foreach ($joints as $joint) {
            if ($joint->isFree()) {
                continue;
            }
            // In the direction of the body that moves: it has `b`, or it is pushed the other way.
            $way = $body[$joint->b] === $moving ? $joint->axis : $joint->axis->times(-1.0);
            if ($along !== null && $along->dot($way) < self::ALONG) {
                return null;
            }
            $along ??= $way;
            $mm = max($mm, $joint->depthMm);
        }

        return new Move(array_map(strval(...), array_keys($body, $moving, true)), self::ids($joints), $along, $mm, min($body[$joints[0]->a], $body[$joints[0]->b]) !== -1);
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
