<?php

declare(strict_types=1);

namespace FallBend\Core\Sequence;

/** A joint as a day plans it: how long hands are on it, and how long it is left alone. Times in minutes. */
final readonly class SiteJoint
{
    /**
     * @param float $makeMin hands on it until it is home
     * @param int $people how many are needed at once
     * @param float $setMin from when it is let go of until what it joins may be moved
     * @param float $fillMin from then until water may run through it; never less than `setMin`
     * @param list<string> $needs ids of joints that are made, and set, before
     * @param bool $isInLine whether the line of the house stands open until it is made
     * @param float $holdMin how long it is held once it is home
     */
    public function __construct(
        public string $id,
        public float $makeMin,
        public int $people = 1,
        public float $setMin = 0.0,
        public float $fillMin = 0.0,
        public array $needs = [],
        public bool $isInLine = false,
        public float $holdMin = 0.0,
    ) {}
}
