<?php

declare(strict_types=1);

namespace FallBend\Core\Tests\Geometry;

use FallBend\Core\Geometry\Vec3;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;

final class Vec3Test extends TestCase
{
    /** @return iterable<string, array{float, float, array{float, float, float}}> heading, dip, direction */
    public static function directions(): iterable
    {
        yield 'north' => [0, 0, [0, 1, 0]];
        yield 'east' => [90, 0, [1, 0, 0]];
        yield 'south' => [180, 0, [0, -1, 0]];
        yield 'west' => [270, 0, [-1, 0, 0]];
        yield 'down' => [123, 90, [0, 0, -1]];
        yield 'up' => [77, -90, [0, 0, 1]];
        yield 'east and down' => [90, 45, [M_SQRT1_2, 0, -M_SQRT1_2]];
    }

    /** @param array{float, float, float} $expected */
    #[DataProvider('directions')]
    public function testDirectionsAreEastNorthUp(float $heading, float $dip, array $expected): void
    {
        $direction = Vec3::direction($heading, $dip);
        self::assertEqualsWithDelta($expected, [$direction->x, $direction->y, $direction->z], 1e-12);
        self::assertEqualsWithDelta(1.0, $direction->length(), 1e-12);
    }

    public function testAnglesAreExactNearZeroAndTheStraightLine(): void
    {
        $a = Vec3::direction(0, 0);
        foreach ([1e-7, 1e-4, 1.0, 90.0, 179.9999] as $deg) {
            self::assertEqualsWithDelta($deg, $a->angleTo(Vec3::direction($deg, 0)), 1e-9 + $deg * 1e-9);
        }
    }

    public function testTheSquarePartIsSquareAndOfLengthOne(): void
    {
        $part = Vec3::direction(30, 10)->squareTo(Vec3::direction(80, -20));
        self::assertNotNull($part);
        self::assertEqualsWithDelta(0, $part->dot(Vec3::direction(80, -20)), 1e-12);
        self::assertEqualsWithDelta(1, $part->length(), 1e-12);
        self::assertNull(Vec3::up()->squareTo(Vec3::up()), 'nothing is left of a direction along itself');
    }

    public function testTheCrossIsRightHanded(): void
    {
        $up = Vec3::direction(90, 0)->cross(Vec3::direction(0, 0));
        self::assertEqualsWithDelta([0, 0, 1], [$up->x, $up->y, $up->z], 1e-12);
    }

    public function testHeadingAndDipAreReadBackFromADirection(): void
    {
        foreach ([0.0, 45.0, 180.0, 271.5, 359.0] as $heading) {
            foreach ([-60.0, 0.0, 1.19, 80.0] as $dip) {
                $direction = Vec3::direction($heading, $dip);
                self::assertEqualsWithDelta($heading, $direction->headingDeg(), 1e-9);
                self::assertEqualsWithDelta($dip, $direction->dipDeg(), 1e-9);
            }
        }
        self::assertEqualsWithDelta(90.0, Vec3::direction(0.0, 90.0)->dipDeg(), 1e-6);
    }
}
