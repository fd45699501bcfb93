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
        [$sizes, $counts, $tags, $left] = $this->sorted();
        if ($counts === []) {
            return new CutPlan([], $left, 0.0, 0.0, true);
        }
        [$stocks, $grain] = $this->stocks(array_sum($counts));
        [$sticks, $bound] = $this->search(
            new Packing($sizes, $counts, $stocks, $this->effort, $this->guard),
            $stocks,
            $sizes,
            $this->simple($stocks, $sizes, $counts),
            $this->bound($stocks, $sizes, $counts),
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
        [$sizes, $counts, $tags, $left] = $this->sorted();
        if ($counts === []) {
            return new CutPlan([], $left, 0.0, 0.0, true);
        }
        [$stocks, $grain] = $this->stocks(array_sum($counts));
        $bound = $this->bound($stocks, $sizes, $counts);
        $target = (int) floor($most / $grain + Tolerance::SUM);
        if ($bound === null || $bound > $target) {
            return null;
        }
        $sticks = $this->simple($stocks, $sizes, $counts);
        if ($sticks === null || self::costOf($sticks, $stocks) > $target) {
            $sticks = (new Packing($sizes, $counts, $stocks, $this->effort, $this->guard))->within($target, 1.0);
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
            ),
            $grain,
        ];
    }

    /**
     * @param list<int> $sizes
     * @param array<int, int> $counts
     * @return list<array{int, array<int, int>}>|null a plan without any search
     */
    private function simple(Stocks $stocks, array $sizes, array $counts): ?array
    {
        $best = self::byDecreasingLength($stocks, $sizes, $counts);

        return $best === null ? null : $this->cheaper($best, $stocks, $sizes);
    }

    /**
     * @param list<int> $sizes
     * @param list<array{int, array<int, int>}>|null $best known
     * @return array{list<array{int, array<int, int>}>|null, ?int} the best sticks, and the bound; no bound where there
     *     is no plan at all
     */
    private function search(Packing $packing, Stocks $stocks, array $sizes, ?array $best, ?int $bound): array
    {
        if ($bound === null) {
            return [null, null];
        }
        $cost = $best === null ? null : self::costOf($best, $stocks);
        $length = array_sum(
            array_map(static fn (int $size, int $count): int => $size * $count, $sizes, $packing->counts),
        );
        for ($share = self::FIRST; $cost === null || $bound < $cost; $share = self::NEXT) {
            $found = $packing->within($bound, $share);
            if ($found !== null) {
                return [$this->cheaper($found, $stocks, $sizes), $bound];
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
            $best = $this->cheaper($found, $stocks, $sizes);
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
     * The parts by length, the longest first, as long as themselves and a cut.
     *
     * @return array{list<int>, list<int>, list<list<array{tag: string, mm: float}>>, list<CutPart>} sizes, counts, what
     *     they are called, and those that no stick holds
     */
    private function sorted(): array
    {
        $longest = max(
            array_map(static fn (StockLength $one): float => $one->available === 0 ? 0.0 : $one->mm, $this->stock),
        );
        [$bySize, $left] = [[], []];
        foreach ($this->parts as $part) {
            if (self::nm($part->mm) > self::nm($longest) + self::SLACK) {
                $left[] = $part;

                continue;
            }
            for ($n = 0; $n < $part->count; $n++) {
                $bySize[self::nm($part->mm + $this->kerfMm)][] = ['tag' => $part->tag, 'mm' => $part->mm];
            }
        }
        krsort($bySize);

        return [array_keys($bySize), array_map(count(...), array_values($bySize)), array_values($bySize), $left];
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

    /**
     * @param list<int> $sizes
     * @param array<int, int> $counts
     */
    private function bound(Stocks $stocks, array $sizes, array $counts): ?int
    {
        $length = array_sum(array_map(static fn (int $size, int $count): int => $size * $count, $sizes, $counts));
        $least = $stocks->leastFor($length, $stocks->available);
        if ($least === null) {
            return null;
        }

        if ($this->objective === 'sticks') {
            return max($least, SharingBound::sticks($sizes, $counts, max($stocks->capacities)));
        }

        return $stocks->leastWhole($length, -1, $this->guard);
    }

    /**
     * The longest part first, each into the stick that it leaves least of; a new stick is of the length that is
     * cheapest for its capacity.
     *
     * @param list<int> $sizes
     * @param array<int, int> $counts
     * @return list<array{int, array<int, int>}>|null null where the sticks run out
     */
    private static function byDecreasingLength(Stocks $stocks, array $sizes, array $counts): ?array
    {
        [$stockOf, $fills, $room, $available] = [[], [], [], $stocks->available];
        foreach ($counts as $i => $count) {
            for ($n = 0; $n < $count; $n++) {
                $into = null;
                foreach ($room as $stick => $left) {
                    if ($left >= $sizes[$i] && ($into === null || $left < $room[$into])) {
                        $into = $stick;
                    }
                }
                if ($into === null) {
                    $stock = $stocks->cheapestThatHolds($sizes[$i], $available);
                    if ($stock === null) {
                        return null;
                    }
                    $available[$stock]--;
                    $into = count($stockOf);
                    [$stockOf[], $fills[], $room[]] = [$stock, [], $stocks->capacities[$stock]];
                }
                $fills[$into][$i] = ($fills[$into][$i] ?? 0) + 1;
                $room[$into] -= $sizes[$i];
            }
        }

        return array_map(static fn (int $stock, array $fill): array => [$stock, $fill], $stockOf, $fills);
    }

    /**
     * The same sticks, each of the cheapest length that holds its parts, of equals the shortest.
     *
     * @param list<array{int, array<int, int>}> $sticks
     * @param list<int> $sizes
     * @return list<array{int, array<int, int>}>
     */
    private function cheaper(array $sticks, Stocks $stocks, array $sizes): array
    {
        $available = $stocks->available;
        foreach ($sticks as [$stock]) {
            $available[$stock]--;
        }
        foreach ($sticks as $n => [$stock, $fill]) {
            $length = array_sum(
                array_map(static fn (int $i, int $count): int => $sizes[$i] * $count, array_keys($fill), $fill),
            );
            foreach ($stocks->capacities as $other => $capacity) {
                if (
                    $capacity >= $length &&
                    $available[$other] > 0 &&
                    [$stocks->costs[$other], $capacity] < [$stocks->costs[$stock], $stocks->capacities[$stock]]
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
