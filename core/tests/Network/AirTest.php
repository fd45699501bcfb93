<?php

declare(strict_types=1);

namespace FallBend\Core\Tests\Network;

use FallBend\Core\Geometry\Vec3;
use FallBend\Core\Job\End;
use FallBend\Core\Job\RunEndKind;
use FallBend\Core\Network\Air;
use FallBend\Core\Network\Node;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;

/** Which of two ways for air to come is the better one. */
final class AirTest extends TestCase
{
    /** @return iterable<string, array{Air, Air, bool}> */
    public static function ways(): iterable
    {
        yield 'the shorter' => [self::air(1000.0), self::air(2000.0), true];
        yield 'the longer' => [self::air(2000.0), self::air(1000.0), false];
        yield 'one that is alike' => [self::air(1000.0), self::air(1000.0), false];
        yield 'a long dry one before a short wet one' => [self::air(9000.0), self::air(100.0, isWet: true), true];
        yield 'a wet one before none that is dry' => [self::air(100.0, isWet: true), self::air(9000.0), false];
        yield 'the open roof before a valve' => [self::air(9000.0), self::air(100.0, RunEndKind::Valve), true];
        yield 'a dry valve before a wet roof' => [
            self::air(9000.0, RunEndKind::Valve),
            self::air(100.0, isWet: true),
            true,
        ];
    }

    #[DataProvider('ways')]
    public function testDryComesBeforeWetOpenBeforeAValveShortBeforeLong(Air $one, Air $other, bool $isBetter): void
    {
        self::assertSame($isBetter, $one->isBetterThan($other));
        self::assertTrue($one->isBetterThan(null));
    }

    private static function air(float $lengthMm, RunEndKind $kind = RunEndKind::Roof, bool $isWet = false): Air
    {
        $terminal = new Node(0, 'v', 0.0, new Vec3(0.0, 0.0, 0.0), new End('vent', $kind), null);

        return new Air($terminal, $lengthMm, $isWet, null);
    }
}
