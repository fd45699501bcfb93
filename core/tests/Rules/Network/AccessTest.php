<?php

declare(strict_types=1);

namespace FallBend\Core\Tests\Rules\Network;

use FallBend\Core\Catalog\FixtureKind;
use FallBend\Core\Job\End;
use FallBend\Core\Job\FixtureHead;
use FallBend\Core\Job\Obstacle;
use FallBend\Core\Job\ObstacleKind;
use FallBend\Core\Job\RunEndKind;
use FallBend\Core\Rules\Network\Access;
use FallBend\Core\Tests\Fixtures;
use PHPUnit\Framework\TestCase;

final class AccessTest extends TestCase
{
    public function testARodGetsInByACleanoutOrAFixtureAtTheHead(): void
    {
        $at = static fn (End $outlet): bool => Access::atHead(Fixtures::layout('north 40', ['outlet' => $outlet]));
        self::assertTrue($at(new End('cleanout', RunEndKind::Cleanout)));
        self::assertTrue($at(new End('basin', RunEndKind::Fixture, fixture: new FixtureHead(FixtureKind::Lavatory))));
        self::assertFalse($at(new End('cap', RunEndKind::Cap)));
    }

    public function testCleanoutsAreReachedAlongTheTape(): void
    {
        $run = Fixtures::layout('north 40 / right 40');
        $cleanout = static fn (float $at, string $leg = 'l1'): Obstacle => new Obstacle(
            'c',
            ObstacleKind::Cleanout,
            '',
            'r1',
            $leg,
            $at,
        );
        $trap = new Obstacle('t', ObstacleKind::Trap, '', 'r1', 'l1', 900.0);
        $obstacles = [$cleanout(300.0), $trap, $cleanout(500.0, 'l2')];
        self::assertEqualsWithDelta(1516.0, Access::tapeOf($obstacles[2], $run), 0.01);
        self::assertNull(Access::lastBefore($obstacles, $run, 299.0));
        self::assertSame(300.0, Access::lastBefore($obstacles, $run, 299.6), 'nobody reads half a millimetre');
        self::assertSame(300.0, Access::lastBefore($obstacles, $run, 1500.0), 'a trap is no cleanout');
        self::assertEqualsWithDelta(1516.0, Access::lastBefore($obstacles, $run, 1600.0) ?? 0.0, 0.01);
        self::assertTrue(Access::isNear($obstacles, $run, 400.0, 100.0));
        self::assertFalse(Access::isNear($obstacles, $run, 400.0, 99.0));
    }
}
