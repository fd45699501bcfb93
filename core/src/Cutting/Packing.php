<?php

declare(strict_types=1);

namespace FallBend\Core\Cutting;

use FallBend\Core\Effort\Effort;

/**
 * Whether all parts go into sticks that cost no more than a target. Stick after stick is filled, each with the longest
 * part that is left. What may be left over of a stick follows from the target:
 * what the money that is left still buys has to hold the parts that are left. So a target that leaves nothing over lets
 * through nothing but full sticks.
 * The search goes in widening passes: a few fills of every stick at first, then more, at last all of them; what was
 * left out is said.
 */
final class Packing
{
    /** Fills of a stick that a pass looks at, and its share of the effort. */
    private const PASSES = [[2, 0.4], [6, 0.4], [24, 0.5], [PHP_INT_MAX, 1.0]];

    /** Fills that are gathered before the best of them are taken. */
    private const GATHERED = 8;

    /** Beyond so many sizes a state is not worth being remembered. */
    private const REMEMBERED = 60;

    /** Pairs for each sum that a stick may have, from which on looking up is slower. */
    private const CROWDED = 0.5;

    /** More pairs than these are not entered: a table of them would take 20 MB. */
    private const MOST_PAIRS = 200_000;

    /** Parts that may be left for three to be looked up at a time. */
    private const DEEP = 50;

    private int $left;

    private int $passLeft = 0;

    private int $width = 0;

    /** How often something was not looked at. */
    private int $leftOut = 0;

    /** @var array<string, true> states that lead nowhere */
    private array $dead = [];

    /** @var list<array{int, array<int, int>}> */
    private array $sticks = [];

    private Fills $fills;

    private ?FullFills $full = null;

    private ?FullFills $deep = null;

    private bool $isCoarse;

    /**
     * @param list<int> $sizes the longest first, each once, nm and a cut
     * @param array<int, int> $counts how many of each
     * @param int $effort choices that may be looked at in all
     * @param Effort $guard ends the search when time or memory is over
     * @param array<int, bool> $hasHub which sizes keep a hub of their stick
     */
    public function __construct(
        public readonly array $sizes,
        public readonly array $counts,
        private readonly Stocks $stocks,
        int $effort,
        private readonly Effort $guard,
        public readonly array $hasHub = [],
    ) {
        $this->left = $effort;
        $this->fills = new Fills($sizes, $guard, $hasHub);
        // Where hubs say how many parts a stick holds, hardly any is filled to the last hair.
        $this->isCoarse = $stocks->areHubsCounted() || $this->isCoarse();
    }

    /**
     * @return list<array{int, array<int, int>}>|null sticks: the stock, and how many of each size by its index; null
     *     where none was found
     */
    public function within(int $target, float $share): ?array
    {
        $length = $this->length();
        $budget = (int) ($this->left * $share);
        foreach (self::PASSES as [$width, $part]) {
            [$this->width, $this->leftOut, $this->dead, $this->sticks] = [$width, 0, [], []];
            $this->passLeft = $given = (int) ($budget * $part);
            $found = $this->go($this->counts, $length, 0, $target, $this->stocks->available);
            $spent = $given - max(0, $this->passLeft);
            $budget -= $spent;
            $this->left -= $spent;
            if ($found) {
                return $this->sticks;
            }
            if ($this->isWhole()) {
                return null;
            }
        }

        return null;
    }

    /** Gives the length of all parts, each with a cut. */
    public function length(): int
    {
        return array_sum(
            array_map(static fn (int $size, int $count): int => $size * $count, $this->sizes, $this->counts),
        );
    }

    /**
     * Whether everything was looked at: then what was not found is not there.
     */
    public function isWhole(): bool
    {
        return $this->leftOut === 0;
    }

    /**
     * @param array<int, int> $counts
     * @param int $length of all that is left
     * @param array<int, int> $available
     */
    private function go(array $counts, int $length, int $cost, int $target, array $available): bool
    {
        if ($length === 0) {
            return true;
        }
        if ($this->passLeft <= 0 || ! $this->guard->spend()) {
            $this->leftOut++;

            return false;
        }
        $this->passLeft--;
        $key =
            count($counts) > self::REMEMBERED
                ? null
                : implode(' ', $counts).'|'.implode(' ', $available).'|'.$cost;
        if ($key !== null && isset($this->dead[$key])) {
            return false;
        }
        $first = 0;
        while ($counts[$first] === 0) {
            $first++;
        }
        $before = $this->leftOut;
        foreach ($this->stocks->capacities as $stock => $capacity) {
            if (
                $available[$stock] > 0 &&
                $capacity >= $this->sizes[$first] &&
                (! ($this->hasHub[$first] ?? false) || $this->stocks->hubs($stock) > 0) &&
                $cost + $this->stocks->costs[$stock] <= $target &&
                $this->fill($stock, $first, $counts, $length, $cost, $target, $available)
            ) {
                return true;
            }
        }
        if ($key !== null && $this->leftOut === $before) {
            $this->dead[$key] = true;
        }

        return false;
    }

    /**
     * @param array<int, int> $counts
     * @param array<int, int> $available
     */
    private function fill(
        int $stock,
        int $first,
        array $counts,
        int $length,
        int $cost,
        int $target,
        array $available,
    ): bool {
        $capacity = $this->stocks->capacities[$stock];
        $available[$stock]--;
        $cost += $this->stocks->costs[$stock];
        $window = $capacity - max(0, $length - $this->stocks->mostFor($target - $cost, $available));
        if ($window < 0) {
            return false;
        }
        $most = $this->width > PHP_INT_MAX / self::GATHERED ? PHP_INT_MAX : $this->width * self::GATHERED;
        $isFull = ! $this->isCoarse && $window <= FullFills::BUCKET;
        [$window, $nodes] = [min($window, $capacity), max(1, $this->passLeft)];
        $source = $isFull ? $this->fullFills($counts) : $this->fills;
        $fills =
            $source instanceof FullFills
                ? $source->with($first, $counts, $capacity, $window, $this->width, $nodes)
                : $source->with($first, $counts, $capacity, $window, $most, $nodes, $this->stocks->hubs($stock));
        $this->passLeft -= $source->nodes();
        $this->leftOut += $source->isWhole() ? 0 : 1;
        // What leaves least over first; of equals as they were found, with the longest parts.
        usort($fills, static fn (array $a, array $b): int => $a[1] <=> $b[1]);
        foreach ($fills as $n => [$fill, $over]) {
            if ($n >= $this->width) {
                $this->leftOut++;
                break;
            }
            $rest = $counts;
            foreach ($fill as $i => $count) {
                $rest[$i] -= $count;
            }
            $this->sticks[] = [$stock, $fill];
            if ($this->go($rest, $length - $capacity + $over, $cost, $target, $available)) {
                return true;
            }
            array_pop($this->sticks);
        }

        return false;
    }

    /**
     * The table of two sizes for all, or, where few parts are left, that of three for those.
     *
     * @param array<int, int> $counts
     */
    private function fullFills(array $counts): FullFills
    {
        $capacity = max($this->stocks->capacities);
        if (array_sum($counts) > self::DEEP) {
            return $this->full ??= new FullFills(
                $this->sizes,
                array_keys($this->sizes),
                $capacity,
                false,
                $this->guard,
            );
        }
        $left = array_keys(array_filter($counts, static fn (int $count): bool => $count > 0));
        if ($this->deep === null || ! $this->deep->knows($left)) {
            $this->deep = new FullFills($this->sizes, $left, $capacity, true, $this->guard);
        }

        return $this->deep;
    }

    /**
     * Whether the lengths are so coarse that several pairs share nearly every sum: then one is found faster than it is
     * looked up.
     */
    private function isCoarse(): bool
    {
        $grain = Divisor::greatest($this->sizes);
        $pairs = count($this->sizes) ** 2 / 2;
        if ($pairs > self::MOST_PAIRS) {
            return true;
        }

        return $pairs * $grain > self::CROWDED * max($this->stocks->capacities);
    }
}
