<?php

declare(strict_types=1);

namespace FallBend\Core\Tests\Cutting;

use FallBend\Core\Cutting\CutPart;
use FallBend\Core\Cutting\CutPlan;
use FallBend\Core\Cutting\CutStick;
use FallBend\Core\Cutting\StockCutter;
use FallBend\Core\Cutting\StockLength;
use FallBend\Core\Effort\Effort;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;
use Random\Engine\Mt19937;
use Random\Randomizer;

final class StockCutterTest extends TestCase
{
    public function testAPlanThatIsGoodEnoughIsNoMoreThanAsked(): void
    {
        $parts = array_map(static fn (int $n): CutPart => new CutPart("p{$n}", 1450.0 - 70 * $n), range(0, 9));
        $cutter = new StockCutter([new StockLength(3048.0)], 3.0, $parts, 'sticks', 200_000);
        $best = $cutter->plan();
        foreach ([0, 1, 3] as $more) {
            $plan = $cutter->within($best->used + $more);
            self::assertNotNull($plan);
            self::assertLessThanOrEqual($best->used + $more, $plan->used);
            self::assertCount(
                10,
                array_merge(...array_map(static fn (CutStick $stick): array => $stick->cuts, $plan->sticks)),
            );
            foreach ($plan->sticks as $stick) {
                self::assertLessThanOrEqual(
                    3048.0 + 1e-6,
                    array_sum(array_column($stick->cuts, 'mm')) + (count($stick->cuts) - 1) * 3.0,
                );
            }
        }
        self::assertNull($cutter->within($best->bound - 1), 'below the bound there is none');
        self::assertSame([], (new StockCutter([new StockLength(3048.0)], 3.0, [], 'sticks'))->within(0.0)?->sticks);
    }

    public function testPerfectPackingsAreFound(): void
    {
        foreach (PerfectPackings::generated(20_261_126, 20) as $n => $case) {
            $plan = (new StockCutter([$case->stock], $case->kerfMm, $case->parts))->plan();
            self::assertSame(
                (float) $case->sticks,
                $plan->used,
                "instance {$n} of {$case->sticks} sticks and ".count($case->parts).' parts',
            );
            self::assertTrue($plan->isOptimal);
            self::assertWhole($plan, [$case->stock], $case->kerfMm, $case->parts);
        }
    }

    /** @return array<string, array{bool}> */
    public static function withAndWithoutHubs(): array
    {
        return ['ordinary pipe' => [false], 'pipe of which a part may keep a hub' => [true]];
    }

    #[DataProvider('withAndWithoutHubs')]
    public function testSmallOnesAgreeWithEveryWayOfSharingOutTheParts(bool $hubs): void
    {
        $random = new Randomizer(new Mt19937(7));
        $solved = 0;
        for ($i = 0; $i < 120; $i++) {
            $parts = array_map(
                static fn (int $n): CutPart => new CutPart(
                    "p{$n}",
                    (float) $random->getInt(200, 2500),
                    hasHub: $hubs && $random->getInt(0, 3) > 0,
                ),
                range(1, $random->getInt(3, 6)),
            );
            $stock = array_map(
                static fn (int $n): StockLength => new StockLength(
                    100.0 * $random->getInt(25, 60),
                    0.5 * $random->getInt(5, 40),
                    $random->getInt(0, 2) === 0 ? $random->getInt(0, 2) : null,
                    $hubs ? $random->getInt($n === 1 ? 1 : 0, 2) : null,
                ),
                range(1, $random->getInt(1, 3)),
            );
            [$kerf, $objective] = [(float) $random->getInt(0, 4), StockCutter::OBJECTIVES[$i % 3]];
            $plan = (new StockCutter($stock, $kerf, $parts, $objective))->plan();
            $best = self::everyWay($parts, $stock, $kerf, $objective);
            if ($best === null) {
                self::assertNotSame([], $plan->left, "instance {$i}");

                continue;
            }
            self::assertEqualsWithDelta($best, $plan->used, 1e-6, "instance {$i}, {$objective}");
            self::assertTrue($plan->isOptimal);
            self::assertWhole($plan, $stock, $kerf, $parts);
            $solved++;
        }
        self::assertGreaterThan(80, $solved);
    }

    /**
     * @return iterable<string, array{list<StockLength>, float, list<CutPart>, string, float, float}> stock, kerf,
     *     parts, objective, used, bound
     */
    public static function byHand(): iterable
    {
        $part = static fn (float $mm, int $count = 1): CutPart => new CutPart("{$mm}", $mm, $count);
        yield 'two and the cut between them' => [[new StockLength(1003.0)], 3.0, [$part(500, 2)], 'sticks', 1.0, 1.0];
        yield 'a hair too long with the cut' => [[new StockLength(1002.9)], 3.0, [$part(500, 2)], 'sticks', 2.0, 2.0];
        yield 'the last part needs no cut after it' => [
            [new StockLength(1000.0)],
            3.0,
            [$part(1000)],
            'sticks',
            1.0,
            1.0,
        ];
        yield 'more than half each: none shares' => [
            [new StockLength(1000.0)],
            0.0,
            [$part(501, 7)],
            'sticks',
            7.0,
            7.0,
        ];
        yield 'the bound by length is 2, three it takes' => [
            [new StockLength(1000.0)],
            0.0,
            [$part(400, 5)],
            'sticks',
            3.0,
            3.0,
        ];
        yield 'the offcut first where length counts' => [
            [new StockLength(3000.0), new StockLength(900.0, null, 1)],
            2.0,
            [$part(880), $part(2900)],
            'length',
            3900.0,
            3900.0,
        ];
        yield 'the offcut costs nothing' => [
            [new StockLength(3000.0, 10.0), new StockLength(900.0, 0.0, 1)],
            2.0,
            [$part(880), $part(2900)],
            'price',
            10.0,
            10.0,
        ];
        yield 'one long stick is cheaper than two short ones' => [
            [new StockLength(3000.0, 10.0), new StockLength(6000.0, 17.0)],
            3.0,
            [$part(2990, 2)],
            'price',
            17.0,
            17.0,
        ];
        yield 'and dearer for one part' => [
            [new StockLength(3000.0, 10.0), new StockLength(6000.0, 17.0)],
            3.0,
            [$part(2990)],
            'price',
            10.0,
            10.0,
        ];
        yield 'nothing to cut' => [[new StockLength(3000.0)], 3.0, [], 'sticks', 0.0, 0.0];
        yield 'sixteenths that add up' => [
            [new StockLength(3048.0)],
            3.175,
            [$part(1384.3), $part(1657.35)],
            'sticks',
            1.0,
            1.0,
        ];
    }

    /**
     * @param non-empty-list<StockLength> $stock
     * @param list<CutPart> $parts
     */
    #[DataProvider('byHand')]
    public function testComesOutAsByHand(
        array $stock,
        float $kerf,
        array $parts,
        string $objective,
        float $used,
        float $bound,
    ): void {
        $plan = (new StockCutter($stock, $kerf, $parts, $objective))->plan();
        self::assertSame([$used, $bound, true], [$plan->used, $plan->bound, $plan->isOptimal]);
        self::assertWhole($plan, $stock, $kerf, $parts);
    }

    public function testTheLongestIsCutFirstAndWhatIsLeftOverLiesAtTheEnd(): void
    {
        $plan = (new StockCutter([new StockLength(3000.0)], 3.0, [
            new CutPart('A', 400.0),
            new CutPart('B', 1900.0),
            new CutPart('C', 690.0),
            new CutPart('D', 2500.0),
        ]))->plan();
        self::assertSame(['B', 'C', 'A'], array_column($plan->sticks[0]->cuts, 'tag'));
        self::assertEqualsWithDelta(1.0, $plan->sticks[0]->offcutMm, 1e-9, '3000 less 2990 and three cuts');
        self::assertSame(['D'], array_column($plan->sticks[1]->cuts, 'tag'));
        self::assertEqualsWithDelta(497.0, $plan->sticks[1]->offcutMm, 1e-9);
    }

    public function testWhatNoStickHoldsIsLeftAndTheOthersAreCut(): void
    {
        $plan = (new StockCutter([new StockLength(3000.0)], 3.0, [
            new CutPart('A', 3001.0),
            new CutPart('B', 2000.0),
        ]))->plan();
        self::assertSame(['A'], array_map(static fn (CutPart $part): string => $part->tag, $plan->left));
        self::assertSame(1.0, $plan->used);
    }

    public function testCutShortItStillGivesAPlanAndABoundUnderIt(): void
    {
        foreach (PerfectPackings::generated(3, 6) as $case) {
            $plan = (new StockCutter([$case->stock], $case->kerfMm, $case->parts, 'sticks', 1))->plan();
            self::assertWhole($plan, [$case->stock], $case->kerfMm, $case->parts);
            self::assertLessThanOrEqual($plan->used, $plan->bound);
            self::assertSame($plan->bound >= $plan->used, $plan->isOptimal);
        }
    }

    public function testManyOffcutsThatCostNothingDoNotMakeItHard(): void
    {
        $offcuts = array_map(
            static fn (int $mm): StockLength => new StockLength((float) $mm, 0.0, 1),
            range(751, 1751, 40),
        );
        $stock = [
            new StockLength(3048.0, 12.5),
            new StockLength(4495.0, 7.7875),
            new StockLength(3422.0, 6.45),
            ...$offcuts,
        ];
        $parts = array_map(static fn (int $mm): CutPart => new CutPart("P{$mm}", (float) $mm), [
            2014,
            2014,
            2004,
            2004,
            1560,
            1500,
            1386,
            1199,
            972,
            925,
            875,
            776,
        ]);
        $effort = Effort::of(50_000);
        $plan = (new StockCutter($stock, 3.0, $parts, 'price', 3_000_000, $effort))->plan();
        self::assertWhole($plan, $stock, 3.0, $parts);
        self::assertFalse($effort->isSpent(), 'it is not gone through which of them are taken');
        self::assertTrue($plan->isOptimal);
        self::assertEqualsWithDelta(
            2 * 7.7875,
            $plan->used,
            1e-9,
            'two of the long ones hold the four that no offcut holds',
        );
    }

    public function testLookingForABoundIsEffortToo(): void
    {
        $stock = array_map(
            static fn (int $n): StockLength => new StockLength(
                2000.0 + 37 * $n,
                5.0 + 0.0001 * (($n * $n) % 29) + 0.09 * $n,
                2,
            ),
            range(1, 30),
        );
        $parts = array_map(static fn (int $n): CutPart => new CutPart("P{$n}", 900.0 + 13 * $n), range(1, 20));
        $effort = Effort::of(10_000);
        $plan = (new StockCutter($stock, 3.0, $parts, 'price', 1, $effort))->plan();
        self::assertWhole($plan, $stock, 3.0, $parts);
        self::assertTrue($effort->isSpent(), 'whoever looks at the clock is asked while a bound is looked for');
    }

    /**
     * Every part once, and no stick over its length.
     *
     * @param list<StockLength> $stock
     * @param list<CutPart> $parts
     */
    private static function assertWhole(CutPlan $plan, array $stock, float $kerf, array $parts): void
    {
        $cut = [];
        $used = [];
        $withHub = array_column(array_filter($parts, static fn (CutPart $part): bool => $part->hasHub), 'tag');
        foreach ($plan->sticks as $stick) {
            self::assertLessThanOrEqual(
                $stick->stockMm + 1e-4,
                array_sum(array_column($stick->cuts, 'mm')) + $kerf * (count($stick->cuts) - 1),
            );
            self::assertSame($stock[$stick->stock]->mm, $stick->stockMm);
            self::assertLessThanOrEqual(
                $stock[$stick->stock]->hubs ?? PHP_INT_MAX,
                count(array_intersect(array_column($stick->cuts, 'tag'), $withHub)),
            );
            $used[$stick->stock] = ($used[$stick->stock] ?? 0) + 1;
            array_push($cut, ...array_column($stick->cuts, 'tag'));
        }
        foreach ($used as $of => $count) {
            self::assertLessThanOrEqual($stock[$of]->available ?? PHP_INT_MAX, $count);
        }
        $wanted = array_merge(
            ...[[], ...array_map(static fn (CutPart $part): array => array_fill(0, $part->count, $part->tag), $parts)],
        );
        sort($cut);
        sort($wanted);
        self::assertSame($wanted, $cut);
        self::assertLessThanOrEqual($plan->used + 1e-9, $plan->bound);
    }

    /**
     * The least over every way of sharing the parts out and every stock length for every share; null where there is
     * none.
     *
     * @param list<CutPart> $parts
     * @param list<StockLength> $stock
     */
    private static function everyWay(array $parts, array $stock, float $kerf, string $objective): ?float
    {
        $cost = static fn (StockLength $one): float => match ($objective) {
            'length' => $one->mm,
            'price' => $one->price ?? 0.0,
            default => 1.0,
        };
        $cheapest = static function (array $shares, array $available) use (&$cheapest, $stock, $cost): float {
            if ($shares === []) {
                return 0.0;
            }
            [$length, $hubs] = array_pop($shares);
            $least = INF;
            foreach ($stock as $n => $one) {
                if ($available[$n] > 0 && $length <= $one->mm + 1e-9 && $hubs <= ($one->hubs ?? PHP_INT_MAX)) {
                    $least = min($least, $cost($one) + $cheapest($shares, [$n => $available[$n] - 1] + $available));
                }
            }

            return $least;
        };
        $share = static function (int $next, array $shares) use (&$share, $parts, $kerf, $cheapest, $stock): float {
            if ($next === count($parts)) {
                return $cheapest($shares, array_map(static fn (StockLength $one): int => $one->available ?? 99, $stock));
            }
            [$mm, $hub] = [$parts[$next]->mm, (int) $parts[$next]->hasHub];
            $least = $share($next + 1, [...$shares, [$mm, $hub]]);
            foreach ($shares as $n => [$length, $hubs]) {
                $least = min($least, $share($next + 1, [$n => [$length + $kerf + $mm, $hubs + $hub]] + $shares));
            }

            return $least;
        };
        $least = $share(0, []);

        return is_infinite($least) ? null : $least;
    }
}
