<?php

declare(strict_types=1);

namespace FallBend\Core\Tests\Network;

use FallBend\Core\Network\Stretch;
use FallBend\Core\Tests\Fixtures;
use PHPUnit\Framework\TestCase;

/** The part of a leg between two places of it, either way round. */
final class StretchTest extends TestCase
{
    public function testTheLowerEndOfWhatFallsIsItsFarOne(): void
    {
        $falling = self::stretch('north 2000mm fall 1/4', 500.0, 1500.0, false);
        $slope = 1 / 48 / sqrt(1 + (1 / 48) ** 2);
        self::assertEqualsWithDelta(-1500 * $slope, $falling->lowestZ(), 0.01);
        self::assertEqualsWithDelta(1000 * $slope, $falling->dropMm(), 0.01);
        self::assertEqualsWithDelta(1000 / 48, $falling->fallMmPerM(), 0.01);
        self::assertSame(500.0, $falling->tapeMm());
    }

    public function testTurnedRoundItRisesAndBeginsAtItsFarEnd(): void
    {
        $rising = self::stretch('north 2000mm fall 1/4', 500.0, 1500.0, true);
        self::assertEqualsWithDelta(-1000 / 48, $rising->fallMmPerM(), 0.01);
        self::assertSame(1500.0, $rising->tapeMm());
        self::assertEqualsWithDelta(
            self::stretch('north 2000mm fall 1/4', 500.0, 1500.0, false)->lowestZ(),
            $rising->lowestZ(),
            1e-9,
        );
    }

    public function testTheLowerEndOfWhatIsCalledOutUpwardIsItsNearOne(): void
    {
        self::assertEqualsWithDelta(300.0, self::stretch('up 1000mm', 300.0, 700.0, false)->lowestZ(), 1e-9);
        self::assertTrue(self::stretch('up 1000mm', 300.0, 700.0, false)->isUpright());
    }

    private static function stretch(string $legs, float $fromMm, float $toMm, bool $isReversed): Stretch
    {
        return new Stretch(Fixtures::layout($legs)->legs[0], $fromMm, $toMm, $isReversed);
    }
}
