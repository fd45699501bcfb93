<?php

declare(strict_types=1);

namespace FallBend\Core\Tests\Layout;

use FallBend\Core\Job\Run;
use FallBend\Core\Layout\Levels;
use FallBend\Core\Measure\Length;
use FallBend\Core\Tests\Fixtures;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;

/** What is left open between levelled ends is found so that the run ends at the level that was measured. */
final class LevelsTest extends TestCase
{
    /** @return iterable<string, array{string, float}> call-out, levelled difference in mm */
    public static function runs(): iterable
    {
        yield 'one leg takes all the fall' => ['north 120 fall shared', 60.0];
        yield 'two legs share it' => ['north 120 fall shared / left 60 fall shared', 90.0];
        yield 'beside a leg that says its own' => ['north 120 fall 1/4 / left 60 fall shared', 100.0];
        yield 'after a drop' => ['down 20 / north 120 fall shared', 600.0];
        yield 'the rest goes down at the end' => ['north 120 fall 1/4 / down the rest / north 20 fall 1/4', 1200.0];
        yield 'the rest goes down at 45°' => ['north 120 fall 1/4 / down 45° the rest / on 20 fall 1/4', 900.0];
        yield 'the rest goes up' => ['north 120 fall 1/4 / up the rest / north 30 fall 1/4', -400.0];
        yield 'two uprights take half of it each' => [
            'down the rest / north 100 fall 1/4 / down the rest / north 20 fall 1/4',
            2000.0,
        ];
    }

    #[DataProvider('runs')]
    public function testTheRunEndsAtTheLevelThatWasMeasured(string $callOut, float $difference): void
    {
        $layout = Fixtures::layout($callOut, ['levelDifference' => Length::mm($difference)]);
        self::assertEqualsWithDelta($difference, -$layout->end->z, 0.05);
    }

    public function testSharingLegsFallAlike(): void
    {
        $run = Levels::found(self::levelled('north 120 fall shared / left 60 fall shared', 90.0), 20.0);
        self::assertEqualsWithDelta($run->legs[0]->fallMmPerM, $run->legs[1]->fallMmPerM, 1e-9);
        // sin(dip) = 90 / (180 · 25.4)
        self::assertEqualsWithDelta(tan(asin(90 / 4572)) * 1000, $run->legs[0]->fallMmPerM, 1e-9);
    }

    public function testUprightsThatTakeTheRestAreAlikeAndTheFallsStayAsSaid(): void
    {
        $run = Levels::found(
            self::levelled('down the rest / north 100 fall 1/4 / down the rest / north 20 fall 1/4', 2000.0),
            20.0,
        );
        self::assertSame($run->legs[0]->length?->toMm(), $run->legs[2]->length?->toMm());
        self::assertEqualsWithDelta(1000 / 48, $run->legs[1]->fallMmPerM, 1e-9);
    }

    /** @return iterable<string, array{string, ?float}> */
    public static function notFound(): iterable
    {
        yield 'nothing was levelled' => ['north 120 fall shared', null];
        yield 'nothing is open' => ['north 120 fall 1/4', 60.0];
        yield 'steeper than one in one is no fall' => ['north 120 fall shared', 2500.0];
        yield 'there is no rest to take: it would go up' => [
            'north 120 fall 1/4 / down the rest / north 20 fall 1/4',
            10.0,
        ];
    }

    #[DataProvider('notFound')]
    public function testWhatCannotBeFoundIsLeftAsItWas(string $callOut, ?float $difference): void
    {
        $run = self::levelled($callOut, $difference);
        $found = Levels::found($run, 20.0);
        foreach ($run->legs as $i => $leg) {
            self::assertSame(
                [$leg->length?->toMm(), $leg->fallMmPerM],
                [$found->legs[$i]->length?->toMm(), $found->legs[$i]->fallMmPerM],
            );
        }
    }

    private static function levelled(string $callOut, ?float $difference): Run
    {
        return Fixtures::run($callOut, ['levelDifference' => $difference === null ? null : Length::mm($difference)]);
    }
}
