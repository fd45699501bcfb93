<?php

declare(strict_types=1);

namespace FallBend\Core\Tests\Testing;

use DateTimeImmutable;
use FallBend\Core\Testing\CurveState;
use FallBend\Core\Testing\TestCurve;
use FallBend\Core\Testing\TestKind;
use FallBend\Core\Testing\TestMethod;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;

final class TestCurveTest extends TestCase
{
    /** @return iterable<string, array{list<array{float, float}>, float, CurveState}> readings by minute, now, state */
    public static function water(): iterable
    {
        yield 'nothing read' => [[], 30.0, CurveState::Begun];
        yield 'not up yet' => [[[1.0, -40.0]], 30.0, CurveState::Begun];
        yield 'up' => [[[1.0, 0.0]], 2.0, CurveState::Holding];
        yield 'within the error of reading' => [[[1.0, 0.0], [17.0, -2.0]], 18.0, CurveState::Passed];
        yield 'more than that' => [[[1.0, 0.0], [17.0, -2.1]], 18.0, CurveState::Failed];
        yield 'its time is over' => [[[1.0, 0.0], [15.9, 0.0]], 16.0, CurveState::ReadNow];
        yield 'to the second' => [[[1.0, 0.0], [16.0, 0.0]], 16.0, CurveState::Passed];
        yield 'it fell and was filled up again' => [[[1.0, 0.0], [5.0, -9.0], [17.0, 0.0]], 18.0, CurveState::Failed];
        yield 'it fell once it had held' => [[[1.0, 0.0], [16.5, 0.0], [60.0, -90.0]], 61.0, CurveState::Passed];
        yield 'filled from below' => [[[1.0, -50.0], [4.0, -1.0], [19.0, -1.0]], 20.0, CurveState::Passed];
        yield 'read in another order than it arrived' => [[[16.5, 0.0], [1.0, 0.0]], 18.0, CurveState::Passed];
    }

    /** @param list<array{float, float}> $readings */
    #[DataProvider('water')]
    public function testALevelHasToStand(array $readings, float $now, CurveState $state): void
    {
        $method = new TestMethod(TestKind::Water, 3_048.0, 0.0, 15.0, 0.0, 2.0, []);
        self::assertSame($state, self::curve($method, 0.0, $readings, $now)->state);
    }

    public function testWhatIsEndedBeforeItsTimeIsNeitherPassedNorFailed(): void
    {
        $method = new TestMethod(TestKind::Water, 3_048.0, 0.0, 15.0, 0.0, 2.0, []);
        self::assertSame(CurveState::Ended, self::curve($method, 0.0, [[1.0, 0.0]], 30.0, true)->state);
        self::assertSame(CurveState::Failed, self::curve($method, 0.0, [[1.0, 0.0], [2.0, -5.0]], 30.0, true)->state);
        $passed = self::curve($method, 0.0, [[1.0, 0.0], [17.0, 0.0]], 30.0, true);
        self::assertSame(CurveState::Passed, $passed->state);
    }

    public function testItIsMeasuredOnceItWasLeftAlone(): void
    {
        // 100 mm of water after five minutes, at most 25 mm lost in seven.
        $method = new TestMethod(TestKind::BuriedAir, 100.0, 5.0, 7.0, 25.0, 1.0, []);
        $curve = self::curve($method, 100.0, [[0.5, 110.0], [6.0, 100.0], [13.0, 76.0]], 13.0);
        self::assertSame([CurveState::Passed, 24.0], [$curve->state, $curve->loss]);
        self::assertSame('09:06', $curve->from?->format('H:i'));
        self::assertSame('09:13', $curve->until?->format('H:i'));
        $curve = self::curve($method, 100.0, [[0.5, 110.0], [6.0, 100.0], [9.0, 70.0]], 13.0);
        self::assertSame(CurveState::Failed, $curve->state);
    }

    public function testWhatIsToppedUpIsLost(): void
    {
        $method = new TestMethod(TestKind::TopUp, 1_500.0, 60.0, 30.0, 0.5, 0.0, []);
        self::assertSame(CurveState::Passed, self::curve($method, null, [[61.0, 0.0], [91.0, -0.5]], 95.0)->state);
        self::assertSame(CurveState::Failed, self::curve($method, null, [[61.0, 0.0], [80.0, -0.6]], 95.0)->state);
    }

    public function testWhereWarmthMovesTheGaugeItIsNotJudged(): void
    {
        // 38 mm of water, held for three minutes: a degree moves the gauge by (101325 + 373) / 288.15 Pa, 36 mm.
        $method = new TestMethod(TestKind::LowAir, 38.0, 0.0, 3.0, 0.0, 1.0, [], warmthErrorC: 0.5);
        self::assertEqualsWithDelta(36.0, $method->perDegree(), 0.05);
        $state = static function (array $second) use ($method): CurveState {
            /** @var array{float, float, ?float} $second */
            return self::curve($method, 38.0, [[1.0, 38.0, 20.0], $second], 9.0)->state;
        };
        self::assertSame(CurveState::Passed, $state([4.5, 38.0, 20.4]), 'within what a thermometer shows');
        self::assertSame(CurveState::Unsteady, $state([4.5, 38.0, 21.0]), 'warmth may hide a leak');
        self::assertSame(CurveState::Unsteady, $state([4.5, 12.0, 19.0]), 'cold is no leak');
        self::assertSame(CurveState::Failed, $state([4.5, 0.0, 19.0]), 'it lost more than the cold takes');
        self::assertSame(CurveState::Failed, $state([4.5, 30.0, null]), 'nobody read how warm it was');
        $curve = self::curve($method, 38.0, [[1.0, 38.0, 20.0], [2.0, 40.0, 21.5], [4.5, 39.0, null]], 9.0);
        self::assertSame([1.5, CurveState::Unsteady], [$curve->warmedC, $curve->state]);
        $air = new TestMethod(TestKind::Air, 34.474, 0.0, 15.0, 0.0, 0.7, [], warmthErrorC: 0.5);
        self::assertEqualsWithDelta(0.471, $air->perDegree(), 0.001);
        $water = new TestMethod(TestKind::Water, 3_048.0, 0.0, 15.0, 0.0, 2.0, []);
        self::assertNull($water->perDegree());
        self::assertNull(self::curve($water, 0.0, [[1.0, 0.0, 10.0], [17.0, 0.0, 30.0]], 18.0)->warmedC);
    }

    public function testABookWithoutATimeIsNeverPassedByItself(): void
    {
        $method = new TestMethod(TestKind::Water, 3_048.0, 0.0, null, 0.0, 2.0, []);
        $curve = self::curve($method, 0.0, [[1.0, 0.0], [500.0, 0.0]], 600.0);
        self::assertSame([CurveState::Holding, null], [$curve->state, $curve->until]);
    }

    /** @param list<array{0: float, 1: float, 2?: ?float}> $readings minutes since it was begun, what was read, °C */
    private static function curve(
        TestMethod $method,
        ?float $wanted,
        array $readings,
        float $now,
        bool $isEnded = false,
    ): TestCurve {
        $begun = new DateTimeImmutable('2026-11-30T09:00:00Z');
        $at = static fn (float $minutes): DateTimeImmutable => TestCurve::later($begun, $minutes);
        $taken = array_map(
            static fn (array $one): array => ['at' => $at($one[0]), 'value' => $one[1], 'air_c' => $one[2] ?? null],
            $readings,
        );

        return new TestCurve($method, $wanted, $begun, $taken, $isEnded, $at($now));
    }
}
