<?php

declare(strict_types=1);

namespace FallBend\Core\Sequence;

/**
 * Joints that are made in one breath: made ready one after another, pushed home together by the same people, held and
 * let go of at once. A joint by itself is one too. Times in minutes from its beginning.
 */
final readonly class Breath
{
    public float $minutes;

    /** How many people are on it. */
    public int $people;

    /** From its beginning until water may run through all of it. */
    public float $fillMin;

    /** @var array<string, float> when hands come to each joint, by id */
    public array $from;

    /** When all of them are let go of. */
    public float $until;

    /** How long they are held. */
    public float $holdMin;

    /** @param non-empty-list<SiteJoint> $joints in the order in which they are made */
    public function __construct(public array $joints)
    {
        [$at, $hold, $fill, $from] = [0.0, 0.0, 0.0, []];
        foreach ($joints as $joint) {
            $from[$joint->id] = $at;
            $at += $joint->makeMin;
            $hold = max($hold, $joint->holdMin);
            $fill = max($fill, $joint->fillMin);
        }
        [$this->from, $this->holdMin, $this->until] = [$from, $hold, $at + $hold];
        [$this->minutes, $this->fillMin] = [$this->until, $this->until + $fill];
        $this->people = max(array_map(static fn (SiteJoint $joint): int => $joint->people, $joints));
    }

    /**
     * Gives how long after another breath began this one may begin, by the joints that it needs of that one; null where
     * it needs none.
     */
    public function lagMin(self $before): ?float
    {
        $lag = null;
        foreach ($this->joints as $joint) {
            foreach ($before->joints as $needed) {
                if (in_array($needed->id, $joint->needs, true)) {
                    $wait = $before->until + $needed->setMin - $this->from[$joint->id];
                    $lag = max($lag ?? 0.0, $wait);
                }
            }
        }

        return $lag;
    }
}
