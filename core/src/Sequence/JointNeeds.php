<?php

declare(strict_types=1);

namespace FallBend\Core\Sequence;

use FallBend\Core\MakeUp\Move;
use FallBend\Core\MakeUp\PlannedJoint;

/**
 * What each joint of a line waits for, by the order in which its parts are put together: the joints in what moves must
 * have set before, or they give. What is pushed onto stands, and is pushed at along its pipe. On the bench the lesser
 * part is taken in the hand.
 */
final readonly class JointNeeds
{
    /** @var array<string, list<string>> keys of the joints that a joint needs, by its key */
    public array $needs;

    /** @var array<string, list<string>> keys of the joints that are made by the same move, by the key of a joint */
    public array $with;

    /**
     * @param list<Move> $moves in order
     * @param list<PlannedJoint> $joints
     */
    public function __construct(array $moves, array $joints)
    {
        $byId = $body = [];
        foreach ($joints as $joint) {
            $byId[$joint->id] = $joint;
            $body[$joint->a] = $joint->a;
            $body[$joint->b] = $joint->b;
        }
        [$needs, $with, $made] = [[], [], []];
        foreach ($moves as $move) {
            $moving = self::moving($move, $byId, $body, $made);
            foreach ($move->joints as $key) {
                $needs[$key] = $moving;
                $with[$key] = array_values(array_diff($move->joints, [$key]));
            }
            foreach ($move->joints as $key) {
                [$from, $to] = [$body[$byId[$key]->a], $body[$byId[$key]->b]];
                $body = array_map(static fn (string $one): string => $one === $from ? $to : $one, $body);
                $made[] = $key;
            }
        }
        [$this->needs, $this->with] = [$needs, $with];
    }

    /**
     * @param array<string, PlannedJoint> $joints by key
     * @param array<string, string> $body of each piece: those that are joined have the same
     * @param list<string> $made keys of the joints that are made
     * @return list<string> keys of the joints in what moves
     */
    private static function moving(Move $move, array $joints, array $body, array $made): array
    {
        $in = static fn (string $one): array => array_values(
            array_filter($made, static fn (string $key): bool => $body[$joints[$key]->a] === $one),
        );
        if (! $move->isOnBench) {
            $bodies = array_unique(
                array_map(static fn (string $piece): string => $body[$piece] ?? $piece, $move->pieces),
            );

            return array_merge(...array_map($in, array_values($bodies)));
        }
        $joint = $joints[$move->joints[0] ?? ''] ?? null;
        if ($joint === null) {
            return [];
        }
        [$one, $other] = [$in($body[$joint->a]), $in($body[$joint->b])];

        return count($one) <= count($other) ? $one : $other;
    }
}
