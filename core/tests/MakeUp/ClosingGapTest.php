<?php

declare(strict_types=1);

namespace FallBend\Core\Tests\MakeUp;

use FallBend\Core\MakeUp\ClosingGap;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;
use Random\Engine\Mt19937;
use Random\Randomizer;

final class ClosingGapTest extends TestCase
{
    public function testOneBoundedErrorIsAsLikelyAnywhere(): void
    {
        $gap = ClosingGap::of([2.0], [], 0.0, 1);
        self::assertEqualsWithDelta(0.5, $gap->chance(-1.0, 1.0), 1e-9);
        self::assertEqualsWithDelta(0.25, $gap->chance(1.0, 5.0), 1e-9);
        self::assertEqualsWithDelta(2 / sqrt(3), $gap->deviationMm(), 1e-9);
        self::assertEqualsWithDelta(1.9, $gap->within(0.95), 1e-6);
    }

    public function testTwoOfOneWidthMakeATriangle(): void
    {
        $gap = ClosingGap::of([1.0, 1.0], [], 0.0, 2);
        self::assertEqualsWithDelta(0.75, $gap->chance(-1.0, 1.0), 1e-9);
        self::assertEqualsWithDelta(0.125, $gap->chance(1.0, 2.0), 1e-9);
    }

    public function testNormalErrorsAddByTheirSquares(): void
    {
        $gap = ClosingGap::of([], [3.0, 4.0], 0.0, 2);
        self::assertEqualsWithDelta(5.0, $gap->deviationMm(), 1e-9);
        self::assertEqualsWithDelta(0.682689, $gap->chance(-5.0, 5.0), 1e-5);
        self::assertEqualsWithDelta(1.959964 * 5, $gap->within(0.95), 1e-3);
    }

    public function testWhatIsSharedAddsStraight(): void
    {
        // A tape that is half a millimetre off: four readings make two, not one.
        self::assertEqualsWithDelta(2.0, ClosingGap::of([], [], 0.5, 4)->deviationMm(), 1e-9);
    }

    public function testNothingOffClosesAlways(): void
    {
        $gap = ClosingGap::of([0.0], [], 0.0, 1);
        self::assertSame(1.0, $gap->chance(-0.1, 0.1));
        self::assertSame(0.0, $gap->chance(0.1, 0.2));
        self::assertSame(0.0, $gap->chance(2.0, 1.0));
    }

    public function testTheTableOfManySaysWhatTheExactSumSays(): void
    {
        // Seven and more are read off a table; the exact sum is worked out here by itself.
        $halves = [0.4, 0.5, 0.6, 0.7, 0.9, 1.1, 1.6];
        $exact = static function (float $x) use ($halves): float {
            [$sum, $scale] = [0.0, 1.0];
            foreach ($halves as $i => $half) {
                $scale *= 2 * $half * ($i + 1);
            }
            for ($code = 0; $code < 2 ** count($halves); $code++) {
                [$at, $sign] = [$x, 1];
                foreach ($halves as $i => $half) {
                    $isMinus = (($code >> $i) & 1) === 1;
                    $at += $isMinus ? -$half : $half;
                    $sign = $isMinus ? -$sign : $sign;
                }
                $sum += $at > 0 ? $sign * $at ** count($halves) : 0.0;
            }

            return $sum / $scale;
        };
        $gap = ClosingGap::of($halves, [], 0.0, 7);
        foreach ([-5.0, -2.0, -0.3, 0.0, 0.9, 3.3, 5.5] as $x) {
            self::assertEqualsWithDelta($exact($x), $gap->chance(-100.0, $x), 1e-5);
        }
    }

    /** @return iterable<string, array{list<float>, list<float>, float, float, float}> */
    public static function mixed(): iterable
    {
        yield 'bounded ones of many widths' => [[0.5, 0.5, 1.0, 1.6, 0.8], [], 0.0, -1.5, 2.0];
        yield 'with a shared part' => [[0.8, 0.8, 1.6], [], 0.4, -2.0, 2.0];
        yield 'with normal ones' => [[1.6, 1.6], [0.7, 0.3], 0.0, -1.0, 3.0];
        yield 'so many that they are taken as normal' => [array_fill(0, 20, 0.8), [], 0.0, -2.0, 2.0];
        yield 'twelve of many widths with a shared part' => [
            [0.2, 0.3, 0.5, 0.5, 0.6, 0.8, 0.8, 1.0, 1.2, 1.3, 1.6, 2.0],
            [],
            0.1,
            -3.0,
            2.5,
        ];
        yield 'twelve, by the exact sum' => [array_fill(0, 12, 0.8), [], 0.0, -2.0, 1.0];
    }

    /**
     * @param list<float> $uniform
     * @param list<float> $normal
     */
    #[DataProvider('mixed')]
    public function testAgreesWithDrawingTheErrorsByChance(
        array $uniform,
        array $normal,
        float $shared,
        float $least,
        float $most,
    ): void {
        $random = new Randomizer(new Mt19937(31));
        $unit = static fn (): float => $random->getInt(1, 1_000_000) / 1_000_001;
        $bell = static fn (): float => sqrt(-2 * log($unit())) * cos(2 * M_PI * $unit());
        $hits = 0;
        $readings = count($uniform) + count($normal);
        for ($i = 0; $i < 60_000; $i++) {
            $sum = $shared === 0.0 ? 0.0 : $shared * $readings * $bell();
            foreach ($uniform as $half) {
                $sum += $half * (2 * $unit() - 1);
            }
            foreach ($normal as $deviation) {
                $sum += $deviation * $bell();
            }
            $hits += $sum >= $least && $sum <= $most ? 1 : 0;
        }
        self::assertEqualsWithDelta(
            $hits / 60_000,
            ClosingGap::of($uniform, $normal, $shared, $readings)->chance($least, $most),
            0.008,
        );
    }
}
