<?php

declare(strict_types=1);

namespace FallBend\Core\Tests\Cutting;

use FallBend\Core\Cutting\CutPart;
use FallBend\Core\Cutting\CutPlan;
use FallBend\Core\Cutting\CutStick;
use FallBend\Core\Cutting\Slack;
use FallBend\Core\Cutting\StockCutter;
use FallBend\Core\Cutting\StockLength;
use PHPUnit\Framework\TestCase;
use Random\Engine\Mt19937;
use Random\Randomizer;

final class SlackTest extends TestCase
{
    public function testTheChanceIsThatOfSticksCutByHand(): void
    {
        $random = new Randomizer(new Mt19937(7));
        $slack = new Slack(3.0, 1.5, 1.0);
        $off = static fn (float $most): float => ($most * $random->getInt(-100_000, 100_000)) / 100_000;
        foreach (
            [[900.0, 900.0], [700.0, 400.0, 690.0], [250.0, 300.0, 200.0, 190.0, 180.0, 350.0, 310.0]] as $lengths
        ) {
            foreach ([-1.0, 0.0, 1.2, 3.0] as $spare) {
                $stock = array_sum($lengths) + 3.0 * (count($lengths) - 1) + $spare;
                $enough = 0;
                for ($i = 0; $i < 20_000; $i++) {
                    $left = $stock;
                    foreach ($lengths as $n => $mm) {
                        $left -= $mm + $off(1.5) + $off(1.0) + ($n === 0 ? 0.0 : 3.0);
                    }
                    $enough += $left >= 0.0 ? 1 : 0;
                }
                self::assertEqualsWithDelta(
                    $enough / 20_000,
                    $slack->chance(self::stick($stock, $lengths)),
                    0.015,
                    count($lengths)." pieces, {$spare} mm to spare",
                );
            }
        }
        self::assertSame(1.0, $slack->chance(self::stick(1000.0, [400.0, 400.0])));
    }

    public function testAPlanThatTakesNoMoreIsTakenWhereFewerSticksAreTight(): void
    {
        // 600, a cut and 397 leave nothing of 1000; the parts go as well into two sticks with room to spare.
        $parts = self::parts([600, 397, 500, 390]);
        $stock = [new StockLength(1000.0)];
        $tightly = new CutPlan(
            [self::stick(1000.0, [600.0, 397.0]), self::stick(1000.0, [500.0, 390.0])],
            [],
            2.0,
            2.0,
            true,
        );
        $slack = new Slack(3.0, 1.5, 1.5);
        self::assertSame(1, $slack->tight($tightly));
        $spread = $slack->spread($tightly, $stock, $parts, 'sticks', 100_000);
        self::assertSame(
            [0, 2.0, 2.0, true],
            [$slack->tight($spread), $spread->used, $spread->bound, $spread->isOptimal],
        );
        foreach ($spread->sticks as $stick) {
            self::assertEqualsWithDelta(
                1000.0 - array_sum(array_column($stick->cuts, 'mm')) - 2 * 3.0,
                $stick->offcutMm,
                1e-9,
                'what is left is that of the saw in hand',
            );
        }
    }

    public function testWhereRoomWouldCostAStickThePlanStays(): void
    {
        $parts = self::parts([600, 397, 600, 397]);
        $stock = [new StockLength(1000.0)];
        $plan = (new StockCutter($stock, 3.0, $parts, 'sticks', 100_000))->plan();
        $slack = new Slack(3.0, 1.5, 1.5);
        self::assertSame([2, 2.0], [$slack->tight($plan), $plan->used]);
        self::assertSame($plan, $slack->spread($plan, $stock, $parts, 'sticks', 100_000));
    }

    public function testNothingIsEverLostOrPaidForRoomOnRandomJobs(): void
    {
        $random = new Randomizer(new Mt19937(11));
        $fewer = 0;
        for ($i = 0; $i < 150; $i++) {
            $parts = self::parts(
                array_map(static fn (): int => $random->getInt(150, 1400), array_fill(0, $random->getInt(3, 14), 0)),
            );
            $stock = [new StockLength(3048.0, 10.0), new StockLength(6096.0, 18.5)];
            $objective = ['sticks', 'length', 'price'][$i % 3];
            $plan = (new StockCutter($stock, 3.2, $parts, $objective, 60_000))->plan();
            $slack = new Slack(3.2, 1.5875, 1.5875);
            $spread = $slack->spread($plan, $stock, $parts, $objective, 60_000);
            self::assertEqualsWithDelta($plan->used, $spread->used, 1e-6);
            self::assertLessThanOrEqual($slack->tight($plan), $slack->tight($spread));
            $fewer += $slack->tight($spread) < $slack->tight($plan) ? 1 : 0;
            $tags = array_merge(
                ...array_map(static fn (CutStick $stick): array => array_column($stick->cuts, 'tag'), $spread->sticks),
            );
            sort($tags);
            $all = array_map(static fn (CutPart $part): string => $part->tag, $parts);
            sort($all);
            self::assertSame($all, $tags, "job {$i}");
        }
        self::assertGreaterThan(4, $fewer, 'it does so often');
    }

    /** @param list<float> $lengths */
    private static function stick(float $stock, array $lengths): CutStick
    {
        return CutStick::cut(
            0,
            $stock,
            array_map(static fn (float $mm): array => ['tag' => '', 'mm' => $mm], $lengths),
            3.0,
        );
    }

    /**
     * @param list<int> $lengths
     * @return list<CutPart>
     */
    private static function parts(array $lengths): array
    {
        return array_map(
            static fn (int $mm, int $n): CutPart => new CutPart("p{$n}", (float) $mm),
            $lengths,
            array_keys($lengths),
        );
    }
}
