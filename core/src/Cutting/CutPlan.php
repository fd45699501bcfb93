<?php

declare(strict_types=1);

namespace FallBend\Core\Cutting;

/** What is cut from what. */
final readonly class CutPlan
{
    /**
     * @param list<CutStick> $sticks those with the least left over first, alike ones together
     * @param list<CutPart> $left parts that no stick is long enough for, or that the sticks there are do not hold
     * @param float $used in the unit of the objective: sticks, mm or money
     * @param float $bound no plan uses less, proved
     * @param bool $isOptimal `used` meets `bound`
     */
    public function __construct(
        public array $sticks,
        public array $left,
        public float $used,
        public float $bound,
        public bool $isOptimal,
    ) {}
}
