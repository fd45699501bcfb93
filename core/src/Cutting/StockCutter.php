<?php

declare(strict_types=1);

namespace FallBend\Core\Cutting;

use FallBend\Core\Effort\Effort;
use FallBend\Core\Measure\Tolerance;

/**
 * What to cut from what, so that the fewest sticks are used, or the least length, or the least money. A lower bound is
 * proved first (what the length of all parts costs, and how many parts are
 * too long to share a stick); plans are looked for that meet it; where none is found, better ones than the best known,
 * until none is left or the effort is used up.
 */
final readonly class StockCutter
{
    public const OBJECTIVES = ['sticks', 'length', 'price'];

    /**
     * Whole nanometres: a length of the tape, in sixty-fourths too, is one. What is a hair over by the last digit of a
     * sum still goes in.
     */
    private const PER_MM = 1_000_000;

    private const SLACK = 20;

    /** Money is reckoned in ten-thousandths. */
    private const PER_PRICE = 10_000;

    /** Share of the effort for plans that meet the bound; the rest goes into better ones than the best known. */
    private const FIRST = 0.6;

    private const NEXT = 0.5;

    private Effort $guard;

    /**
     * @param non-empty-list<StockLength> $stock
     * @param list<CutPart> $parts
     * @param string $objective one of OBJECTIVES; price needs the price of every stock length
     * @param int $effort choices that may be looked at
     * @param ?Effort $guard ends the search when time or memory is over; the best plan until then is given
     */
    public function __construct(
        private array $stock,
        private float $kerfMm,
        private array $parts,
        private string $objective = 'sticks',
        private int $effort = 3_000_000,
        ?Effort $guard = null,
    ) {
        $this->guard = $guard ?? Effort::unlimited();
    }

    /**
     * Gives a plan with its bound. Parts that are longer than every stick are left, and so are all where the sticks
     * there are do not hold them.
     */
    public function plan(): CutPlan
    {
        [$sizes, $counts, $tags, $left, $hasHub] = $this->sorted();
        if ($counts === []) {
            return new CutPlan([], $left, 0.0, 0.0, true);
        }
        [$stocks, $grain] = $this->stocks(array_sum($counts));
        $packing = new Packing($sizes, $counts, $stocks, $this->effort, $this->guard, $hasHub);
        [$sticks, $bound] = $this->search(
            $packing,
            $stocks,
            $this->simple($stocks, $packing),
            $this->bound($stocks, $packing),
        );
        if ($sticks === null) {
            return new CutPlan(
                [],
                [...$left, ...$this->parts($sizes, $counts, $tags)],
                0.0,
                $bound === null ? 0.0 : $bound * $grain,
                false,
            );
        }
        $used = self::costOf($sticks, $stocks);
        $bound ??= $used;

        return new CutPlan(
            $this->sticks($sticks, $sizes, $tags),
            $left,
            $used * $grain,
            min($bound, $used) * $grain,
            $bound >= $used,
        );
    }

    /**
     * Gives a plan that uses no more than so much, in the unit of the objective, not the best; null where there is
     * none, or none is found.
     */
    public function within(float $most): ?CutPlan
    {
        [$sizes, $counts, $tags, $left, $hasHub] = $this->sorted();
        if ($counts === []) {
            return new CutPlan([], $left, 0.0, 0.0, true);
        }
        [$stocks, $grain] = $this->stocks(array_sum($counts));
        $packing = new Packing($sizes, $counts, $stocks, $this->effort, $this->guard, $hasHub);
        $bound = $this->bound($stocks, $packing);
        $target = (int) floor($most / $grain + Tolerance::SUM);
        if ($bound === null || $bound > $target) {
            return null;
        }
        $sticks = $this->simple($stocks, $packing);
        if ($sticks === null || self::costOf($sticks, $stocks) > $target) {
            $sticks = $packing->within($target, 1.0);
        }
        if ($sticks === null) {
            return null;
        }
        $used = self::costOf($sticks, $stocks);

        return new CutPlan(
            $this->sticks($sticks, $sizes, $tags),
            $left,
            $used * $grain,
            $bound * $grain,
            $bound >= $used,
        );
    }

    /** @return array{Stocks, float} the sticks there are for so many parts, and what a grain of their cost is worth */
    private function stocks(int $total): array
    {
        [$costs, $grain] = $this->costs();

        return [
            new Stocks(
                array_map(fn (StockLength $one): int => self::nm($one->mm + $this->kerfMm) + self::SLACK, $this->stock),
                $costs,
                array_map(static fn (StockLength $one): int => min($one->available ?? $total, $total), $this->stock),
                array_map(static fn (StockLength $one): ?int => $one->hubs, $this->stock),
                array_map(static fn (StockLength $one): int => self::nm($one->soldMm()), $this->stock),
            ),
            $grain,
        ];
    }

    /** @return list<array{int, array<int, int>}>|null a plan without any search */
    private function simple(Stocks $stocks, Packing $packing): ?array
    {
        $best = null;
        foreach ($packing->hasHub === [] ? [false] : [false, true] as $byHubs) {
            $plan = self::byDecreasingLength($stocks, $packing, $byHubs);
            $plan = $plan === null ? null : $this->cheaper($plan, $stocks, $packing);
            if ($plan !== null && ($best === null || self::costOf($plan, $stocks) < self::costOf($best, $stocks))) {
                $best = $plan;
            }
        }

        return $best;
    }

    /**
     * @param list<array{int, array<int, int>}>|null $best known
     * @return array{list<array{int, array<int, int>}>|null, ?int} the best sticks, and the bound; no bound where there
     *     is no plan at all
     */
    private function search(Packing $packing, Stocks $stocks, ?array $best, ?int $bound): array
    {
        if ($bound === null) {
            return [null, null];
        }
        $cost = $best === null ? null : self::costOf($best, $stocks);
        $length = $packing->length();
        for ($share = self::FIRST; $cost === null || $bound < $cost; $share = self::NEXT) {
            $found = $packing->within($bound, $share);
            if ($found !== null) {
                return [$this->cheaper($found, $stocks, $packing), $bound];
            }
            if (! $packing->isWhole()) {
                break;
            }
            // Nothing that costs just so much holds them: the bound is what whole sticks cost next.
            $bound = $stocks->leastWhole($length, $bound, $this->guard) ?? $bound + 1;
            if ($cost === null && $bound > $this->dearest($stocks)) {
                return [null, null];
            }
        }
        while ($cost === null || $bound < $cost) {
            $found = $packing->within(($cost ?? $this->dearest($stocks) + 1) - 1, self::NEXT);
            if ($found === null) {
                return [$best, $packing->isWhole() && $cost !== null ? $cost : $bound];
            }
            $best = $this->cheaper($found, $stocks, $packing);
            $cost = self::costOf($best, $stocks);
        }

        return [$best, $bound];
    }

    /** What all sticks that there are would cost. */
    private function dearest(Stocks $stocks): int
    {
        return array_sum(
            array_map(
                static fn (int $cost, int $available): int => $cost * $available,
                $stocks->costs,
                $stocks->available,
            ),
        );
    }

    /**
     * The parts by length, the longest first, as long as themselves and a cut; of equals those with a hub first.
     *
     * @return array{
     *     list<int>,
     *     list<int>,
     *     list<list<array{tag: string, mm: float}>>,
     *     list<CutPart>,
     *     array<int, bool>,
     * } sizes, counts, what they are called, those that no stick holds, and which sizes keep a hub
     */
    private function sorted(): array
    {
        [$groups, $left, $longest, $longestWithHub] = [[], [], $this->longest(false), $this->longest(true)];
        foreach ($this->parts as $part) {
            if (self::nm($part->mm) > self::nm($part->hasHub ? $longestWithHub : $longest) + self::SLACK) {
                $left[] = $part;

                continue;
            }
            $size = self::nm($part->mm + $this->kerfMm);
            $key = 2 * $size + (int) $part->hasHub;
            $groups[$key] ??= ['size' => $size, 'hub' => $part->hasHub, 'parts' => []];
            for ($n = 0; $n < $part->count; $n++) {
                $groups[$key]['parts'][] = ['tag' => $part->tag, 'mm' => $part->mm];
            }
        }
        krsort($groups);
        $tags = array_column($groups, 'parts');

        return [
            array_column($groups, 'size'),
            array_map(count(...), $tags),
            $tags,
            $left,
            array_filter(array_column($groups, 'hub')),
        ];
    }

    /** The longest stick that there is, of those with a hub where one is kept; mm. */
    private function longest(bool $hasHub): float
    {
        return max(
            array_map(
                static fn (StockLength $one): float => $one->available === 0 || ($hasHub && $one->hubs === 0)
                    ? 0.0
                    : $one->mm,
                $this->stock,
            ),
        );
    }

    /**
     * @return array{non-empty-list<int>, float} what each stock length costs in whole grains, and what a grain is worth
     */
    private function costs(): array
    {
        $costs = array_map(
            fn (StockLength $one): int => match ($this->objective) {
                'length' => self::nm($one->mm),
                'price' => (int) round(($one->price ?? 0.0) * self::PER_PRICE),
                default => 1,
            },
            $this->stock,
        );
        $grain = Divisor::greatest($costs);
        $grain = max(1, $grain);

        return [
            array_map(static fn (int $cost): int => intdiv($cost, $grain), $costs),
            $grain /
            match ($this->objective) {
                'length' => self::PER_MM,
                'price' => self::PER_PRICE,
                default => 1,
            },
        ];
    }

    private function bound(Stocks $stocks, Packing $packing): ?int
    {
        $length = $packing->length();
        $least = $stocks->leastFor($length, $stocks->available);
        if ($least === null) {
            return null;
        }

        $forHubs = self::costOfHubs($stocks, $packing);
        if ($this->objective === 'sticks') {
            $sharing = SharingBound::sticks($packing->sizes, $packing->counts, max($stocks->capacities));

            return max($least, $forHubs, $sharing);
        }
        $forLength = $stocks->leastWhole($length, -1, $this->guard);

        return $forLength === null ? null : max($forLength, $forHubs);
    }

    /** What the hubs cost at least that parts keep: each its share of the cheapest stick that is long enough for it. */
    private static function costOfHubs(Stocks $stocks, Packing $packing): int
    {
        $cost = 0.0;
        foreach (array_keys($packing->hasHub) as $i) {
            $each = INF;
            foreach ($stocks->capacities as $stock => $capacity) {
                if ($capacity >= $packing->sizes[$i] && $stocks->available[$stock] > 0 && $stocks->hubs($stock) > 0) {
                    $each = min($each, $stocks->costOfHub($stock));
                }
            }
            $cost += is_infinite($each) ? 0.0 : $packing->counts[$i] * $each;
        }

        return (int) ceil($cost - Tolerance::ROUNDING);
    }

    /**
     * The longest part first, each into the stick that it leaves least of; a new stick is of the length that is
     * cheapest for its capacity.
     *
     * @param bool $byHubs what costs least for its hubs, and not for its capacity
     * @return list<array{int, array<int, int>}>|null null where the sticks run out
     */
    private static function byDecreasingLength(Stocks $stocks, Packing $packing, bool $byHubs): ?array
    {
        [$stockOf, $fills, $room, $hubs, $available, $sizes] = [[], [], [], [], $stocks->available, $packing->sizes];
        foreach ($packing->counts as $i => $count) {
            $hub = (int) ($packing->hasHub[$i] ?? false);
            for ($n = 0; $n < $count; $n++) {
                $into = self::tightest($room, $hubs, $sizes[$i], $hub);
                if ($into === null) {
                    $stock = $stocks->cheapestThatHolds($sizes[$i], $available, $hub === 1 ? $byHubs : null);
                    if ($stock === null) {
                        return null;
                    }
                    $available[$stock]--;
                    $into = count($stockOf);
                    [$stockOf[], $fills[], $room[]] = [$stock, [], $stocks->capacities[$stock]];
                    $hubs[] = $stocks->hubs($stock);
                }
                $hubs[$into] -= $hub;
                $fills[$into][$i] = ($fills[$into][$i] ?? 0) + 1;
                $room[$into] -= $sizes[$i];
            }
        }

        return array_map(static fn (int $stock, array $fill): array => [$stock, $fill], $stockOf, $fills);
    }

    /**
     * The stick that a part leaves least of; null where none holds it.
     *
     * @param array<int, int> $room what is left of each
     * @param array<int, int> $hubs parts that keep a hub which each still has one for
     * @param int $hub 1 where the part keeps one
     */
    private static function tightest(array $room, array $hubs, int $size, int $hub): ?int
    {
        $into = null;
        foreach ($room as $stick => $left) {
            if ($left >= $size && $hubs[$stick] >= $hub && ($into === null || $left < $room[$into])) {
                $into = $stick;
            }
        }

        return $into;
    }

    /**
     * The same sticks, each of the cheapest length that holds its parts, of equals the shortest.
     *
     * @param list<array{int, array<int, int>}> $sticks
     * @return list<array{int, array<int, int>}>
     */
    private function cheaper(array $sticks, Stocks $stocks, Packing $packing): array
    {
        $sizes = $packing->sizes;
        $available = $stocks->available;
        foreach ($sticks as [$stock]) {
            $available[$stock]--;
        }
        foreach ($sticks as $n => [$stock, $fill]) {
            $length = array_sum(
                array_map(static fn (int $i, int $count): int => $sizes[$i] * $count, array_keys($fill), $fill),
            );
            $hubs = array_sum(array_intersect_key($fill, $packing->hasHub));
            foreach ($stocks->capacities as $other => $capacity) {
                if (
                    $capacity >= $length &&
                    $stocks->hubs($other) >= $hubs &&
                    $available[$other] > 0 &&
                    $stocks->rank($other) < $stocks->rank($stock)
                ) {
                    $available[$stock]++;
                    $available[$other]--;
                    $stock = $other;
                }
            }
            $sticks[$n] = [$stock, $fill];
        }

        return $sticks;
    }

    /** @param list<array{int, array<int, int>}> $sticks */
    private static function costOf(array $sticks, Stocks $stocks): int
    {
        return array_sum(array_map(static fn (array $stick): int => $stocks->costs[$stick[0]], $sticks));
    }

    /**
     * @param list<array{int, array<int, int>}> $found
     * @param list<int> $sizes
     * @param list<list<array{tag: string, mm: float}>> $tags
     * @return list<CutStick>
     */
    private function sticks(array $found, array $sizes, array $tags): array
    {
        $sticks = [];
        foreach ($found as [$stock, $fill]) {
            ksort($fill);
            $cuts = [];
            foreach ($fill as $i => $count) {
                array_push($cuts, ...array_splice($tags[$i], 0, $count));
            }
            $sticks[] = CutStick::cut($stock, $this->stock[$stock]->mm, $cuts, $this->kerfMm);
        }
        // Full sticks first: what is left over lies at the end, and can still be had for something else.
        usort(
            $sticks,
            static fn (CutStick $a, CutStick $b): int => [$a->offcutMm, -count($a->cuts)] <=> [
                $b->offcutMm,
                -count($b->cuts),
            ],
        );

        return $sticks;
    }

    /**
     * @param list<int> $sizes
     * @param array<int, int> $counts
     * @param list<list<array{tag: string, mm: float}>> $tags
     * @return list<CutPart>
     */
    private function parts(array $sizes, array $counts, array $tags): array
    {
        return array_merge(
            ...array_map(
                static fn (int $i): array => array_map(
                    static fn (array $one): CutPart => new CutPart($one['tag'], $one['mm']),
                    $tags[$i],
                ),
                array_keys($sizes),
            ),
        );
    }

    private static function nm(float $mm): int
    {
        return (int) round($mm * self::PER_MM);
    }
}
