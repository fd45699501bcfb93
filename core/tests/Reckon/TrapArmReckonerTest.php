<?php

declare(strict_types=1);

namespace FallBend\Core\Tests\Reckon;

use PHPUnit\Framework\TestCase;

/** A trap arm by its length and fall. */
final class TrapArmReckonerTest extends TestCase
{
    use Reckons;

    /** @return array<string, mixed> */
    private static function arm(float $length, float $fall, string $fixture = 'lavatory'): array
    {
        return self::reckon('trap-arm', [
            'system' => 'pvc-dwv-40',
            'size' => '2',
            'rulebook' => 'upc-2021',
            'fixture' => $fixture,
            'length_mm' => $length,
            'fall_mm_per_m' => $fall,
        ]);
    }

    public function testItIsAsLongAsTheBookAllowsAndNoLonger(): void
    {
        // UPC 2021 table 1002.2: 5 ft of 2 in.
        self::assertSame(1524.0, self::arm(1000, 20.9)['most_mm']);
        self::assertSame('pass', self::arm(1524, 20.9)['verdict']);
        self::assertSame('stop', self::arm(1530, 20.9)['verdict']);
    }

    public function testItIsTwoDiametersLong(): void
    {
        self::assertSame(101.6, self::arm(1000, 20.9)['least_mm']);
        self::assertNotSame('pass', self::arm(90, 20.9)['verdict']);
    }

    public function testACloseIsMeantToBeSiphoned(): void
    {
        self::assertNull(self::arm(1000, 20.9, 'water-closet')['least_mm']);
    }
}
