<?php

declare(strict_types=1);

namespace FallBend\Core\MakeUp;

/** What a search found, and what it tried. */
final readonly class SearchResult
{
    /**
     * @param list<Solution> $solutions the best first
     * @param int $sequences of bends that were tried
     * @param int $bends the most bends of those
     * @param bool $isExhaustive whether all sequences of up to so many bends were tried to the end
     * @param array<int, Solution> $blocked the best that one single box stands in the way of, by the index of that box
     */
    public function __construct(
        public array $solutions,
        public int $sequences,
        public int $bends,
        public bool $isExhaustive,
        public array $blocked = [],
    ) {}
}
