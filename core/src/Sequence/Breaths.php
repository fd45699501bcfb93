<?php

declare(strict_types=1);

namespace FallBend\Core\Sequence;

/** Puts joints together that are made in one breath. */
final class Breaths
{
    /**
     * @param list<SiteJoint> $joints
     * @param list<array{string, string}> $together ids of two that are made in one breath
     * @return list<Breath> in the order of their first joints; in each, what others of it need comes first
     */
    public static function list(array $joints, array $together): array
    {
        $of = [];
        foreach ($joints as $joint) {
            $of[$joint->id] = $joint->id;
        }
        foreach ($together as [$a, $b]) {
            [$from, $to] = [$of[$a], $of[$b]];
            $of = array_map(static fn (string $one): string => $one === $from ? $to : $one, $of);
        }
        $groups = [];
        foreach ($joints as $joint) {
            $groups[$of[$joint->id]][] = $joint;
        }

        return array_map(static fn (array $group): Breath => new Breath(self::inOrder($group)), array_values($groups));
    }

    /**
     * @param non-empty-list<SiteJoint> $joints
     * @return non-empty-list<SiteJoint>
     */
    private static function inOrder(array $joints): array
    {
        $ordered = [];
        $left = $joints;
        while ($left !== []) {
            $waiting = array_map(static fn (SiteJoint $joint): string => $joint->id, $left);
            $ready = array_filter(
                $left,
                static fn (SiteJoint $one): bool => array_intersect($one->needs, $waiting) === [],
            );
            // Two that need each other are one breath: which of them is pushed first is as it was said.
            $next = array_key_first($ready === [] ? $left : $ready);
            $ordered[] = $left[$next];
            unset($left[$next]);
        }

        return $ordered;
    }
}
