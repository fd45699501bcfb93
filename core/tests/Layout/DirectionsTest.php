<?php

declare(strict_types=1);

namespace FallBend\Core\Tests\Layout;

use FallBend\Core\Geometry\Vec3;
use FallBend\Core\Layout\Directions;
use FallBend\Core\Layout\LegLine;
use FallBend\Core\Layout\Orientation;
use FallBend\Core\Tests\Fixtures;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;

final class DirectionsTest extends TestCase
{
    /**
     * @return iterable<string, array{string, list<float>, list<float>}> call-out, headings, dips; legs that say none
     *     fall 20 mm per m
     */
    public static function runs(): iterable
    {
        $fall = rad2deg(atan(0.02));
        yield 'round the compass' => [
            'north 9 / east 9 / south 9 / west 9',
            [0, 90, 180, 270],
            [$fall, $fall, $fall, $fall],
        ];
        yield 'turns add up' => [
            'north 9 / right 9 / right 9 / left 45° 9 / back 9',
            [0, 90, 180, 135, 315],
            [$fall, $fall, $fall, $fall, $fall],
        ];
        yield 'upright keeps the heading' => ['east 9 / down 9 / left 9', [90, 90, 0], [$fall, 90, $fall]];
        yield 'up and down by angles' => ['east 9 / down 45° 9 / up 30° 9', [90, 90, 90], [$fall, 45, -30]];
        yield 'on keeps the steepness' => [
            'east 9 / down 45° 9 / on 9 / on 9 fall 1',
            [90, 90, 90, 90],
            [$fall, 45, 45, rad2deg(atan(1 / 12))],
        ];
        yield 'ahead is level again' => ['east 9 / down 9 / ahead 9', [90, 90, 90], [$fall, 90, $fall]];
        yield 'a drop over the leg' => ['north 20 drop 10 / on 20 rise 5', [0, 0], [30, rad2deg(asin(-0.25))]];
        yield 'stops at what was not read' => ['north 9 / banana / left 9', [0], [$fall]];
        yield 'nothing' => ['', [], []];
    }

    /**
     * @param list<float> $headings
     * @param list<float> $dips
     */
    #[DataProvider('runs')]
    public function testHeadingsAndDips(string $callOut, array $headings, array $dips): void
    {
        $lines = Directions::lines(Fixtures::run($callOut), 20);
        self::assertEqualsWithDelta(
            $headings,
            array_map(static fn (LegLine $line): float => $line->headingDeg, $lines),
            1e-9,
        );
        self::assertEqualsWithDelta($dips, array_map(static fn (LegLine $line): float => $line->dipDeg, $lines), 1e-6);
    }

    public function testTheOutletsHeadingCountsAndSizesCarryOn(): void
    {
        $lines = Directions::lines(Fixtures::run('on 9 / right 9 size 3 / left 9', ['headingDeg' => 90.0]), 20);
        self::assertSame([90.0, 180.0, 90.0], array_map(static fn (LegLine $line): float => $line->headingDeg, $lines));
        self::assertSame(['2', '3', '3'], array_map(static fn (LegLine $line): string => $line->size, $lines));
    }

    public function testUprightBeginsAboveFortyFiveDegrees(): void
    {
        self::assertFalse(Orientation::isUpright(Vec3::direction(0, 45)));
        self::assertTrue(Orientation::isUpright(Vec3::direction(0, 45.01)));
        self::assertTrue(Orientation::isUpright(Vec3::direction(0, -60)));
        [$level, $upright] = [Vec3::direction(0, 1), Vec3::direction(0, 90)];
        self::assertSame(Orientation::LevelToUpright, Orientation::of($level, $upright));
        self::assertSame(Orientation::UprightToLevel, Orientation::of($upright, $level));
        self::assertSame(Orientation::LevelToLevel, Orientation::of($level, $level));
        self::assertSame(Orientation::UprightToUpright, Orientation::of($upright, $upright));
    }
}
