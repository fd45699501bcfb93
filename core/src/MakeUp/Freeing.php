<?php

declare(strict_types=1);

namespace FallBend\Core\MakeUp;

/** Where pieces cannot be put together: the smallest change that frees them. */
final class Freeing
{
    /** What a joint can be made as instead, the smallest change first: the coupling that is there is slid, a sleeve is rolled, a union comes in. */
    private const INSTEAD = ['slide', 'roll', 'union'];

    /**
     * Gives every single joint that frees them, made in another way; where none does alone, every pair of joints; else none.
     *
     * @param list<string> $pieces
     * @param list<PlannedJoint> $joints
     * @param list<string> $fixed
     * @return list<array<string, string>> the kind by joint
     */
    public static function of(array $pieces, array $joints, array $fixed): array
    {
        $pushed = array_values(array_filter($joints, static fn (PlannedJoint $joint): bool => ! $joint->isFree()));
        $singles = [];
        foreach ($pushed as $joint) {
            $kind = self::kindFor($joint);
            if ((new AssemblyOrder($pieces, self::with($joints, [$joint->id => $kind]), $fixed))->find() !== null) {
                $singles[] = [$joint->id => $kind];
            }
        }
        if ($singles !== []) {
            return $singles;
        }
        $pairs = [];
        foreach ($pushed as $i => $one) {
            foreach (array_slice($pushed, $i + 1) as $two) {
                $change = [$one->id => self::kindFor($one), $two->id => self::kindFor($two)];
                if ((new AssemblyOrder($pieces, self::with($joints, $change), $fixed))->find() !== null) {
                    $pairs[] = $change;
                }
            }
        }

        return $pairs;
    }

    /** The first way that needs no room which is not there. */
    private static function kindFor(PlannedJoint $joint): string
    {
        foreach (self::INSTEAD as $kind) {
            if ($joint->as($kind)->isFree()) {
                return $kind;
            }
        }

        return 'union';
    }

    /**
     * @param list<PlannedJoint> $joints
     * @param array<string, string> $change
     * @return list<PlannedJoint>
     */
    private static function with(array $joints, array $change): array
    {
        return array_map(static fn (PlannedJoint $joint): PlannedJoint => isset($change[$joint->id]) ? $joint->as($change[$joint->id]) : $joint, $joints);
    }
}
