<?php

declare(strict_types=1);

namespace FallBend\Core\Tests\Catalog;

use FallBend\Core\Catalog\FixtureKind;
use PHPUnit\Framework\TestCase;

final class FixtureKindTest extends TestCase
{
    public function testAClosetAndAUrinalHaveTheirTrapInThem(): void
    {
        $integral = array_filter(FixtureKind::cases(), static fn (FixtureKind $kind): bool => $kind->hasIntegralTrap());
        self::assertEqualsCanonicalizing([FixtureKind::WaterCloset, FixtureKind::Urinal], $integral);
    }

    public function testAKitchenSinkIsNoPartOfABathroom(): void
    {
        $bathroom = array_filter(FixtureKind::cases(), static fn (FixtureKind $kind): bool => $kind->isOfBathroom());
        self::assertEqualsCanonicalizing(
            ['lavatory', 'bidet', 'bath', 'shower', 'water-closet'],
            array_column($bathroom, 'value'),
        );
    }
}
