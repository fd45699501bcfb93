<?php

declare(strict_types=1);

namespace FallBend\Core\Tests\Catalog;

use FallBend\Core\Catalog\Material;
use FallBend\Core\Input\Fields;
use PHPUnit\Framework\TestCase;

/** How stiff a material is, warm and for years. */
final class MaterialTest extends TestCase
{
    public function testBetweenTwoTemperaturesItIsOnTheStraightLine(): void
    {
        $pvc = self::material();
        self::assertSame(2800.0, $pvc->modulusMpa(23.0, false));
        self::assertEqualsWithDelta(2600.0, $pvc->modulusMpa(31.5, false), 1e-9);
        self::assertSame(2400.0, $pvc->modulusMpa(40.0, false));
        self::assertEqualsWithDelta(2150.0, $pvc->modulusMpa(50.0, false), 1e-9);
    }

    public function testBelowTheFirstItIsAsThere(): void
    {
        self::assertSame(2800.0, self::material()->modulusMpa(-10.0, false));
        self::assertSame(970.0, self::material()->modulusMpa(5.0, true));
    }

    public function testWhatIsNotStatedIsNotGuessed(): void
    {
        self::assertNull(self::material()->modulusMpa(61.0, false));
        self::assertNull(self::material()->modulusMpa(24.0, true));
        self::assertNull(self::material()->modulusMpa(50.0, true));
    }

    private static function material(): Material
    {
        return Material::read(Fields::of([
            'id' => 'pvc',
            'name' => 'PVC',
            'cte_per_c' => 5.4e-5,
            'modulus_short_mpa' => ['23' => 2800.0, '40' => 2400.0, '60' => 1900.0],
            'modulus_years_mpa' => ['23' => 970.0, '40' => null, '60' => null],
            'source' => 'a handbook',
            'confidence' => 'medium',
            'status' => 'stated',
        ]));
    }
}
