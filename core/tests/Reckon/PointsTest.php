<?php

declare(strict_types=1);

namespace FallBend\Core\Tests\Reckon;

use FallBend\Core\Input\BadInput;
use FallBend\Core\Input\Fields;
use FallBend\Core\Reckon\Points;
use PHPUnit\Framework\TestCase;

/** Points and directions as reckoners are given them. */
final class PointsTest extends TestCase
{
    public function testThreeNumbersAreEastNorthAndUp(): void
    {
        $point = Points::read(Fields::of(['at' => [1, 2.5, -3]]), 'at');
        self::assertSame([1.0, 2.5, -3.0], [$point->x, $point->y, $point->z]);
    }

    public function testADirectionIsOneLong(): void
    {
        self::assertEqualsWithDelta(1.0, Points::direction(Fields::of(['way' => [3, 4, 12]]), 'way')->length(), 1e-12);
    }

    public function testWhatIsNoPointOrNoDirectionIsRefusedAtItsPlace(): void
    {
        foreach ([[1, 2], [1, 2, 3, 4], [1, 2, 'up'], [0, 0, 2_000_000]] as $given) {
            self::assertStringStartsWith('at', self::refusal($given, Points::read(...)));
        }
        self::assertSame('at', self::refusal([0, 0, 0], Points::direction(...)));
    }

    /**
     * @param list<mixed> $given
     * @param callable(Fields, string): mixed $read
     */
    private static function refusal(array $given, callable $read): string
    {
        try {
            $read(Fields::of(['at' => $given]), 'at');
        } catch (BadInput $refused) {
            return $refused->field;
        }
        self::fail('it was taken');
    }
}
