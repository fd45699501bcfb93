<?php

declare(strict_types=1);

namespace FallBend\Core\Tests\Reckon;

use PHPUnit\Framework\TestCase;

/** Two bends turned against each other. */
final class CompoundBendReckonerTest extends TestCase
{
    use Reckons;

    public function testTheMarkIsTheArcThatTheRollTakesRoundThePipe(): void
    {
        $answer = self::reckon('compound-bend', [
            'first_deg' => 45,
            'second_deg' => 45,
            'od_mm' => 88.9,
            'roll_deg' => 90,
        ]);
        self::assertEqualsWithDelta((M_PI * 88.9) / 4, $answer['mark_mm'], 1e-9);
        self::assertEqualsWithDelta(60.0, $answer['turn_deg'], 1e-9);
    }

    public function testItTurnsAsFarAsBothTogetherOrAsTheirDifference(): void
    {
        $of = static fn (float $roll): array => self::reckon('compound-bend', [
            'first_deg' => 60,
            'second_deg' => 22.5,
            'od_mm' => 88.9,
            'roll_deg' => $roll,
        ]);
        self::assertEqualsWithDelta(82.5, $of(0)['turn_deg'], 1e-6);
        self::assertEqualsWithDelta(37.5, $of(180)['turn_deg'], 1e-6);
        self::assertSame([37.5, 82.5], $of(10)['span_deg']);
    }
}
