<?php

declare(strict_types=1);

namespace FallBend\Core\Cutting;

use FallBend\Core\Effort\Effort;
use FallBend\Core\Measure\Tolerance;

/**
 * The stock lengths as the search sees them. A stick of length L holds parts l₁ … lₙ with n − 1 cuts between them: Σ l
 * + k (n − 1) ≤ L, which is Σ (l + k) ≤ L + k. So every part is
 * taken as long as itself and one cut, every stick as long as itself and one cut, and the cuts need no more thought.
 * Lengths are whole nanometres, costs whole units of the grain.
 */
final readonly class Stocks
{
    private const MOST_STEPS = 20_000;

    /** @var list<int> the order in which capacity is cheapest: least cost for its length first */
    private array $cheapest;

    /**
     * @param non-empty-list<int> $capacities nm
     * @param non-empty-list<int> $costs in the smallest unit that all are whole in
     * @param non-empty-list<int> $available of each, never more than there are parts
     * @param list<?int> $hubs of each, for how many parts that keep one; null or none given: there are no such parts
     * @param list<int> $sold what each is called by, nm; none given: its capacity
     */
    public function __construct(
        public array $capacities,
        public array $costs,
        public array $available,
        private array $hubs = [],
        private array $sold = [],
    ) {
        $order = array_keys($capacities);
        usort(
            $order,
            static fn (int $a, int $b): int => [$costs[$a] / $capacities[$a], -$capacities[$a]] <=> [
                $costs[$b] / $capacities[$b],
                -$capacities[$b],
            ],
        );
        $this->cheapest = $order;
    }

    /**
     * Gives the most that can be had for a cost: the cheapest capacity first, the last of it in part. What is bought in
     * whole sticks is never more.
     *
     * @param array<int, int> $available what is left of each
     */
    public function mostFor(int $cost, array $available): int
    {
        $most = 0;
        foreach ($this->cheapest as $stock) {
            if ($this->costs[$stock] === 0) {
                $most += $this->capacities[$stock] * $available[$stock];

                continue;
            }
            $whole = min($available[$stock], intdiv($cost, $this->costs[$stock]));
            $most += $whole * $this->capacities[$stock];
            $cost -= $whole * $this->costs[$stock];
            if ($whole < $available[$stock]) {
                return $most + (int) floor($this->capacities[$stock] * ($cost / $this->costs[$stock]));
            }
        }

        return $most;
    }

    /**
     * Gives the least that so much capacity costs, rounded up to whole units; null where there is not so much.
     *
     * @param array<int, int> $available
     */
    public function leastFor(int $length, array $available): ?int
    {
        $cost = 0;
        foreach ($this->cheapest as $stock) {
            if ($length <= 0) {
                return $cost;
            }
            $whole = min($available[$stock], intdiv($length, $this->capacities[$stock]));
            $cost += $whole * $this->costs[$stock];
            $length -= $whole * $this->capacities[$stock];
            if ($whole < $available[$stock] && $length > 0) {
                return $cost +
                    (int) ceil($this->costs[$stock] * ($length / $this->capacities[$stock]) - Tolerance::ROUNDING);
            }
        }

        return $length <= 0 ? $cost : null;
    }

    /**
     * Gives the least that whole sticks of so much capacity cost, of all that cost more than a given sum: what costs
     * less than
     * that holds nothing. Where it is not found in so many steps, no more is said than that it is more.
     *
     * @param int $above the sum; −1 for none
     * @param Effort $guard is told of every step
     */
    public function leastWhole(int $length, int $above, Effort $guard): ?int
    {
        $least = $this->leastFor($length, $this->available);
        if ($least === null) {
            return null;
        }
        // What costs nothing is taken first: taking it never costs more.
        $paid = [];
        foreach ($this->cheapest as $stock) {
            if ($this->costs[$stock] > 0) {
                $paid[] = $stock;
            } else {
                $length -= $this->capacities[$stock] * $this->available[$stock];
            }
        }
        if ($paid === []) {
            return max($least, $above + 1);
        }
        $order = [...array_slice($paid, 1), $paid[0]];
        [$best, $steps] = [null, 0];
        $this->whole($order, 0, $length, 0, $above, $best, $steps);
        $guard->spend($steps);

        return $steps > self::MOST_STEPS || $best === null ? max($least, $above + 1) : $best;
    }

    /**
     * Goes through how many of each stock are taken, the cheapest capacity last: of that the number follows. None of
     * them is free.
     *
     * @param list<int> $order
     */
    private function whole(array $order, int $at, int $length, int $cost, int $above, ?int &$best, int &$steps): void
    {
        $stock = $order[$at];
        [$capacity, $each, $most] = [$this->capacities[$stock], $this->costs[$stock], $this->available[$stock]];
        if (++$steps > self::MOST_STEPS) {
            return;
        }
        if ($at === count($order) - 1) {
            $holds = max(0, intdiv($length + $capacity - 1, $capacity));
            $count = max($holds, (int) ceil(($above + 1 - $cost) / $each));
            $sum = $cost + $count * $each;
            if ($count <= $most && $sum > $above && ($best === null || $sum < $best)) {
                $best = $sum;
            }

            return;
        }
        $cheapest = $order[count($order) - 1];
        $perLength = $this->costs[$cheapest] / $this->capacities[$cheapest];
        for ($count = 0; $count <= $most; $count++) {
            $sum = $cost + $count * $each;
            $left = $length - $count * $capacity;
            if ($best !== null && ($sum >= $best || $sum + max(0, $left) * $perLength > $best)) {
                return;
            }
            $this->whole($order, $at + 1, $left, $sum, $above, $best, $steps);
            if ($left <= 0 && $sum > $above) {
                return;
            }
        }
    }

    /** Gives how many parts that keep a hub can be had from one stick of a stock length. */
    public function hubs(int $stock): int
    {
        return $this->hubs[$stock] ?? PHP_INT_MAX;
    }

    /**
     * Gives what to choose by between sticks that hold the same: the least cost, the shortest, the one with the fewest
     * hubs.
     *
     * @return array{int, int, int}
     */
    public function rank(int $stock): array
    {
        return [$this->costs[$stock], $this->sold[$stock] ?? $this->capacities[$stock], $this->hubs($stock)];
    }

    /** Whether hubs say how many parts a stick holds. */
    public function areHubsCounted(): bool
    {
        return array_filter($this->hubs, static fn (?int $hubs): bool => $hubs !== null) !== [];
    }

    /**
     * Gives the stock length with the cheapest capacity that holds a part, or with the cheapest hubs; null where none
     * is left.
     *
     * @param array<int, int> $available
     * @param ?bool $byHubs null: the part keeps no hub
     */
    public function cheapestThatHolds(int $size, array $available, ?bool $byHubs = null): ?int
    {
        $best = null;
        foreach ($this->cheapest as $stock) {
            if (
                $available[$stock] <= 0 ||
                $this->capacities[$stock] < $size ||
                ($byHubs !== null && $this->hubs($stock) === 0)
            ) {
                continue;
            }
            if ($byHubs !== true) {
                return $stock;
            }
            $isBetter = $best === null || $this->costOfHub($stock) < $this->costOfHub($best);
            $best = $isBetter ? $stock : $best;
        }

        return $best;
    }

    /** Gives what one hub of a stick costs, where all of them are used. */
    public function costOfHub(int $stock): float
    {
        return $this->costs[$stock] / max(1, $this->hubs($stock));
    }
}
