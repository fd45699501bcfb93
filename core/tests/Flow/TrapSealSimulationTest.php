<?php

declare(strict_types=1);

namespace FallBend\Core\Tests\Flow;

use FallBend\Core\Flow\Manning;
use FallBend\Core\Flow\TrapSealSimulation;
use FallBend\Core\Flow\VentedBranch;
use PHPUnit\Framework\TestCase;

/**
 * What the simulation must hold to: a gentle flow takes nothing, suction takes half of itself, a vent helps, and length
 * and fall hurt.
 */
final class TrapSealSimulationTest extends TestCase
{
    public function testAFlowThatLeavesRoomForAirTakesNothing(): void
    {
        $branch = new VentedBranch(50.0, 20.0, 3000.0, 0.009);
        $half = Manning::at(50.0, 20.0, 1.0, 0.009)->fullBoreLPerS / 2;
        self::assertEqualsWithDelta(75.0, TrapSealSimulation::of($branch, 75.0, $half, 6.0)->sealLeftMm, 0.01);
    }

    public function testSlowSuctionTakesHalfOfItselfFromTheSeal(): void
    {
        // A flow far above full bore for a long time: suction stands at what the full branch makes.
        $branch = new VentedBranch(30.0, 20.0, 1500.0, 0.009);
        $result = TrapSealSimulation::of($branch, 75.0, 4.0, 120.0);
        $full = Manning::at(30.0, 20.0, 1.0, 0.009);
        self::assertEqualsWithDelta(
            1500 * 0.02 + ($full->velocityMPerS ** 2 / (2 * 9.80665)) * 1000,
            $result->mostSuctionMm,
            0.01,
        );
        $least = min([INF, ...array_column($result->series, 'seal_mm')]);
        self::assertGreaterThan(0.0, $least);
        self::assertEqualsWithDelta(
            75 - $result->mostSuctionMm / 2,
            $result->sealLeftMm,
            $result->mostSuctionMm * 0.3,
            'the swing of the column takes a little more than rest would',
        );
        self::assertLessThanOrEqual(75 - $result->mostSuctionMm / 2 + 0.5, $result->sealLeftMm);
    }

    public function testAVentLeavesMoreAndAValveAlmostAsMuch(): void
    {
        $left = static fn (?float $bore, float $opens = 0.0): float => TrapSealSimulation::of(
            new VentedBranch(30.0, 40.0, 2500.0, 0.009, $bore === null ? null : 300.0, $bore, 4000.0, $opens),
            75.0,
            1.0,
            5.0,
        )->sealLeftMm;
        self::assertGreaterThan($left(null) + 10, $left(32.0));
        self::assertGreaterThan($left(32.0, 8.0), $left(32.0));
        self::assertGreaterThan($left(null), $left(32.0, 8.0));
    }

    public function testLongerAndSteeperTakesMore(): void
    {
        $left = static fn (float $length, float $fall): float => TrapSealSimulation::of(
            new VentedBranch(30.0, $fall, $length, 0.009),
            75.0,
            1.2,
            6.0,
        )->sealLeftMm;
        self::assertGreaterThan($left(2000.0, 20.0), $left(1000.0, 20.0));
        self::assertGreaterThan($left(1500.0, 30.0), $left(1500.0, 18.0));
    }

    public function testAVentWhoseOpeningLiesBelowTheWeirHelpsLess(): void
    {
        self::assertSame(800.0, (new VentedBranch(30.0, 20.0, 3000.0, 0.009, 800.0, 32.0))->drawnMm());
        self::assertSame(3000.0, (new VentedBranch(30.0, 40.0, 3000.0, 0.009, 800.0, 32.0))->drawnMm());
    }

    public function testALongDischargeIsFollowedWithBoundedEffortAndLeavesWhatAMinuteLeaves(): void
    {
        $branch = new VentedBranch(30.0, 20.0, 1500.0, 0.009);
        [$minute, $hour] = [
            TrapSealSimulation::of($branch, 75.0, 1.2, 36.0),
            TrapSealSimulation::of($branch, 75.0, 1.2, 2160.0),
        ];
        self::assertEqualsWithDelta($minute->sealLeftMm, $hour->sealLeftMm, 0.1);
        $last = $hour->series[count($hour->series) - 1];
        self::assertEqualsWithDelta(3600.0, $last['t_s'], 200.0, 'over the whole time');
        $tenMinutes = TrapSealSimulation::of($branch, 75.0, 1.2, 45.0);
        self::assertEqualsWithDelta($minute->sealLeftMm, $tenMinutes->sealLeftMm, 0.1);
    }

    public function testABrokenSealIsSaidSo(): void
    {
        $result = TrapSealSimulation::of(new VentedBranch(30.0, 60.0, 3000.0, 0.009), 38.0, 1.5, 8.0);
        self::assertTrue($result->isBroken);
        self::assertLessThan(20.0, $result->sealLeftMm);
    }
}
