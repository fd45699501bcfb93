<?php

declare(strict_types=1);

namespace FallBend\Core\Sequence;

/** When each breath of a day begins and who is on it. Times in minutes from the beginning of the day. */
final readonly class DayPlan
{
    /**
     * @param list<float> $starts by breath
     * @param list<list<int>> $who people on each, from 1, by breath
     * @param list<int> $order breaths in the order in which they begin
     * @param float $fillMin when water may run through all of it
     * @param float $boundMin no plan is shorter
     * @param bool $isOptimal whether it was shown that none is
     */
    public function __construct(
        public array $starts,
        public array $who,
        public array $order,
        public float $fillMin,
        public float $boundMin,
        public bool $isOptimal,
    ) {}
}
