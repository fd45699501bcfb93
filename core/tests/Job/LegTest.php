<?php

declare(strict_types=1);

namespace FallBend\Core\Tests\Job;

use FallBend\Core\Job\FittingChoice;
use FallBend\Core\Job\Leg;
use FallBend\Core\Job\Way;
use FallBend\Core\Measure\Length;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;

/** Legs that say the same, and legs that do not. */
final class LegTest extends TestCase
{
    /** @return iterable<string, array{Leg}> each other than the one leg in one thing */
    public static function others(): iterable
    {
        yield 'way' => [self::leg(['way' => Way::Left])];
        yield 'turn' => [self::leg(['turnDeg' => 45.0])];
        yield 'length' => [self::leg(['length' => Length::mm(1001.0)])];
        yield 'from stop to stop' => [self::leg(['isToStop' => true])];
        yield 'fall' => [self::leg(['fallMmPerM' => 21.0])];
        yield 'drop' => [self::leg(['drop' => Length::mm(5.0)])];
        yield 'size' => [self::leg(['size' => '3'])];
        yield 'fitting' => [self::leg(['fitting' => FittingChoice::of(['bend-45'])])];
        yield 'close' => [self::leg(['isClose' => true])];
        yield 'what it is' => [self::leg(['what' => 'past the beam'])];
        yield 'unread' => [self::leg(['unread' => 'nroth'])];
        yield 'takes' => [self::leg(['takes' => 'rest'])];
    }

    #[DataProvider('others')]
    public function testALegThatIsOtherInOneThingSaysSomethingElse(Leg $other): void
    {
        self::assertFalse(self::leg()->saysTheSame($other));
        self::assertFalse($other->saysTheSame(self::leg()));
        self::assertTrue($other->saysTheSame($other->withId('another')));
    }

    public function testWhatWasFoundForItStandsInThePlaceOfItsDrop(): void
    {
        $found = self::leg(['drop' => Length::mm(5.0)])->found(Length::mm(700.0), 20.0);
        self::assertSame([700.0, 20.0, null], [$found->length?->toMm(), $found->fallMmPerM, $found->drop]);
        self::assertTrue(self::leg()->found(Length::mm(1000.0), 20.0)->saysTheSame(self::leg()));
        self::assertSame(Way::Right, self::leg()->goingThe(Way::Right)->way);
    }

    /** @param array<string, mixed> $more */
    private static function leg(array $more = []): Leg
    {
        return new Leg(...($more + ['id' => 'l1', 'length' => Length::mm(1000.0), 'fallMmPerM' => 20.0]));
    }
}
