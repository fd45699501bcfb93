<?php

declare(strict_types=1);

namespace FallBend\Core\Tests\Catalog;

use FallBend\Core\Catalog\Nominal;
use PHPUnit\Framework\TestCase;

/** What a size is called by, in mm. */
final class NominalTest extends TestCase
{
    public function testInchesAreReadWithTheirFractionsAndMillimetresAsTheyStand(): void
    {
        self::assertEqualsWithDelta(38.1, Nominal::mm('1-1/2'), 1e-9);
        self::assertEqualsWithDelta(12.7, Nominal::mm('1/2'), 1e-9);
        self::assertEqualsWithDelta(50.8, Nominal::mm('2'), 1e-9);
        self::assertSame(110.0, Nominal::mm('110'));
        self::assertSame(32.0, Nominal::mm('32'));
    }

    public function testTwentyFourInchesIsTheLastSizeInInches(): void
    {
        self::assertEqualsWithDelta(609.6, Nominal::mm('24'), 1e-9);
        self::assertSame(25.0, Nominal::mm('25'));
    }
}
