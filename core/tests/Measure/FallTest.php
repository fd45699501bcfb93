<?php

declare(strict_types=1);

namespace FallBend\Core\Tests\Measure;

use FallBend\Core\Measure\Fall;
use FallBend\Core\Measure\Units;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;

final class FallTest extends TestCase
{
    /** @return iterable<string, array{float, string, string}> mm per m, inches per foot, mm per m said */
    public static function falls(): iterable
    {
        yield 'a quarter' => [1000 / 48, '1/4', '20.8'];
        yield 'an eighth' => [1000 / 96, '1/8', '10.4'];
        yield 'a sixteenth' => [1000 / 192, '1/16', '5.2'];
        yield 'a 32nd' => [1000 / 384, '1/32', '2.6'];
        yield 'one inch' => [1000 / 12, '1', '83.3'];
        yield 'one and a half' => [125.0, '1 1/2', '125'];
        yield 'two percent' => [20.0, 'about 1/4', '20'];
        yield 'one percent' => [10.0, 'about 1/8', '10'];
        yield 'level' => [0.0, '0', '0'];
        yield 'hardly anything' => [0.4, 'about 0', '0.4'];
    }

    #[DataProvider('falls')]
    public function testIsSaidInBothUnits(float $mmPerM, string $inches, string $metric): void
    {
        self::assertSame($inches, Fall::mmPerM($mmPerM)->short(Units::Inch));
        self::assertSame($metric, Fall::mmPerM($mmPerM)->short(Units::Millimetre));
        self::assertSame("{$inches} in per ft", Fall::mmPerM($mmPerM)->inWords(Units::Inch));
        self::assertSame("{$metric} mm per m", Fall::mmPerM($mmPerM)->inWords(Units::Millimetre));
    }

    public function testInchesPerFootGoThereAndBack(): void
    {
        for ($i = -64; $i <= 64; $i++) {
            self::assertEqualsWithDelta($i / 32, Fall::inPerFt($i / 32)->toInPerFt(), 1e-12);
        }
        self::assertEqualsWithDelta(45.0, Fall::mmPerM(1000)->toDeg(), 1e-12);
    }
}
