<?php

declare(strict_types=1);

namespace FallBend\Core\Tests\CallOut;

use FallBend\Core\CallOut\LegMatcher;
use FallBend\Core\Job\Leg;
use FallBend\Core\Job\Way;
use FallBend\Core\Measure\Length;
use PHPUnit\Framework\TestCase;

final class LegMatcherTest extends TestCase
{
    public function testIdsAreNeverDoubledAndUntouchedLegsKeepTheirs(): void
    {
        mt_srand(11);
        $next = 1;
        $legs = [];
        for ($step = 0; $step < 400; $step++) {
            $new = array_map(static fn (Leg $leg): Leg => $leg->withId(''), $legs);
            match (mt_rand(0, 3)) {
                0 => array_splice($new, mt_rand(0, count($new)), 0, [self::leg(mt_rand(1, 999))]),
                1 => array_splice($new, mt_rand(0, max(0, count($new) - 1)), 1),
                2 => $new === [] ? null : ($new[mt_rand(0, count($new) - 1)] = self::leg(mt_rand(1, 999))),
                default => ($new[] = self::leg(mt_rand(1, 999))),
            };
            [$matched, $after] = LegMatcher::match($legs, array_values($new), $next);
            $ids = array_map(static fn (Leg $leg): string => $leg->id, $matched);
            self::assertSame(count($ids), count(array_unique($ids)), "step {$step}");
            self::assertGreaterThanOrEqual($next, $after);
            $kept = array_intersect($ids, array_map(static fn (Leg $leg): string => $leg->id, $legs));
            self::assertGreaterThanOrEqual(
                min(count($legs), count($new)) - 1,
                count($kept),
                'one change touches one leg',
            );
            [$legs, $next] = [$matched, $after];
        }
    }

    public function testTheOrderOfWhatStaysIsTheOrderOfIds(): void
    {
        $old = array_map(static fn (int $i): Leg => self::leg($i)->withId("l{$i}"), range(1, 9));
        [$matched] = LegMatcher::match($old, [self::leg(2), self::leg(4), self::leg(77), self::leg(8)], 10);
        self::assertSame(['l2', 'l4', 'l5', 'l8'], array_map(static fn (Leg $leg): string => $leg->id, $matched));
    }

    public function testLegsThatSayTheSameTwiceAreToldApartByOrder(): void
    {
        $old = [self::leg(5)->withId('l1'), self::leg(5)->withId('l2'), self::leg(5)->withId('l3')];
        [$matched, $next] = LegMatcher::match($old, [self::leg(5), self::leg(5), self::leg(5), self::leg(5)], 4);
        self::assertSame(['l1', 'l2', 'l3', 'l4'], array_map(static fn (Leg $leg): string => $leg->id, $matched));
        self::assertSame(5, $next);
    }

    private static function leg(int $inches): Leg
    {
        return new Leg('', Way::Left, null, Length::mm($inches * 25.4));
    }
}
