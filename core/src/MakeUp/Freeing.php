<?php

declare(strict_types=1);

namespace FallBend\Core\MakeUp;

use FallBend\Core\Effort\Effort;

/**
 * Where pieces cannot be put together: the smallest change that frees them. Bodies that hold each other stay so until
 * one of
 * the joints among them is made in another way; so each group of them needs a change of its own.
 */
final readonly class Freeing
{
    /** Steps of the search, where nobody says how many. */
    private const MOST = 500_000;

    /**
     * What a joint can be made as instead, the smallest change first: the coupling that is there is slid, a sleeve is
     * rolled, a union comes in.
     */
    private const INSTEAD = ['slide', 'roll', 'union'];

    /** @var array<string, array{int, bool}> the line along which a joint is pushed */
    private array $lines;

    /**
     * @param array<string, int> $body by piece; what is fixed is one body
     * @param list<PlannedJoint> $joints
     */
    private function __construct(private array $body, private array $joints, private Effort $effort)
    {
        $this->lines = Disassembly::linesOf($joints);
    }

    /**
     * Gives every single joint that frees them, made in another way; where none does alone, every pair of joints; else
     * none.
     * Once the effort is spent there may be more than those.
     *
     * @param list<string> $pieces
     * @param list<PlannedJoint> $joints
     * @param list<string> $fixed
     * @return list<array<string, 'slide'|'roll'|'union'>> the kind by joint
     */
    public static function changesFor(array $pieces, array $joints, array $fixed, ?Effort $effort = null): array
    {
        $body = [];
        foreach ($pieces as $i => $piece) {
            $body[$piece] = in_array($piece, $fixed, true) ? -1 : $i;
        }

        return (new self($body, $joints, $effort ?? Effort::of(self::MOST)))->changes();
    }

    /** @return list<array<string, 'slide'|'roll'|'union'>> */
    private function changes(): array
    {
        $groups = $this->groups();
        if ($groups === [] || count($groups) > 2) {
            return [];
        }
        $singles = array_map($this->singles(...), $groups);
        if (count($groups) === 1) {
            return $singles[0] !== [] ? $singles[0] : $this->pairs($groups[0]);
        }
        $pairs = [];
        foreach ($singles[0] as $one) {
            foreach ($singles[1] as $two) {
                $pairs[] = $one + $two;
            }
        }

        return $pairs;
    }

    /** @return list<list<PlannedJoint>> joints that hold each other, each group by itself */
    private function groups(): array
    {
        [$groups, $open] = [[], []];
        foreach ($this->joints as $joint) {
            if ($this->body[$joint->a] !== $this->body[$joint->b]) {
                $open[] = $joint;
            } elseif (! $joint->isFree()) {
                // Between two pieces that are fixed: nothing but itself can free it.
                $groups[] = [$joint];
            }
        }
        foreach ((new Disassembly($this->body, $open, $this->lines))->stuck($this->effort) ?? [] as $part) {
            $groups[] = array_map(static fn (int $i): PlannedJoint => $open[$i], $part);
        }

        return $groups;
    }

    /**
     * @param list<PlannedJoint> $group
     * @return list<array<string, 'slide'|'roll'|'union'>>
     */
    private function singles(array $group): array
    {
        $singles = [];
        foreach ($group as $joint) {
            $change = [$joint->id => self::kindFor($joint)];
            if (! $joint->isFree() && $this->frees($group, $change)) {
                $singles[] = $change;
            }
        }

        return $singles;
    }

    /**
     * @param list<PlannedJoint> $group
     * @return list<array<string, 'slide'|'roll'|'union'>>
     */
    private function pairs(array $group): array
    {
        $pushed = array_values(array_filter($group, static fn (PlannedJoint $joint): bool => ! $joint->isFree()));
        $pairs = [];
        foreach ($pushed as $i => $one) {
            foreach (array_slice($pushed, $i + 1) as $two) {
                $change = [$one->id => self::kindFor($one), $two->id => self::kindFor($two)];
                if ($this->effort->isSpent()) {
                    return $pairs;
                }
                if ($this->frees($group, $change)) {
                    $pairs[] = $change;
                }
            }
        }

        return $pairs;
    }

    /**
     * Whether a group comes apart once some of its joints are made in another way.
     *
     * @param list<PlannedJoint> $group
     * @param array<string, 'slide'|'roll'|'union'> $change
     */
    private function frees(array $group, array $change): bool
    {
        $changed = array_map(
            static fn (PlannedJoint $joint): PlannedJoint => isset($change[$joint->id])
                ? $joint->as($change[$joint->id])
                : $joint,
            $group,
        );
        $open = array_values(
            array_filter($changed, fn (PlannedJoint $joint): bool => $this->body[$joint->a] !== $this->body[$joint->b]),
        );
        $isFree = count($open) === count($changed) || $changed[0]->isFree();

        return $isFree &&
            (new Disassembly($this->body, $open, array_diff_key($this->lines, $change)))->stuck($this->effort) === [];
    }

    /** @return 'slide'|'roll'|'union' the first way that needs no room which is not there */
    private static function kindFor(PlannedJoint $joint): string
    {
        foreach (self::INSTEAD as $kind) {
            if ($joint->as($kind)->isFree()) {
                return $kind;
            }
        }

        return 'union';
    }
}
