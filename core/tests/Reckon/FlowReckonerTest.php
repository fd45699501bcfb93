<?php

declare(strict_types=1);

namespace FallBend\Core\Tests\Reckon;

use PHPUnit\Framework\TestCase;

/** What runs in a pipe that is not full. */
final class FlowReckonerTest extends TestCase
{
    use Reckons;

    public function testNearlyFullCarriesMoreThanFull(): void
    {
        $at = static fn (float $fill): float => self::reckon('flow', [
            'id_mm' => 100,
            'fall_mm_per_m' => 20,
            'fill' => $fill,
        ])['discharge_l_per_s'];
        // Of a round pipe the discharge is greatest at 0.94 of its height, 1.08 times that of the full pipe.
        self::assertEqualsWithDelta(1.076, $at(0.938) / $at(1), 0.001);
        self::assertEqualsWithDelta(0.5, $at(0.5) / $at(1), 1e-6);
    }

    public function testTheSpeedGrowsWithTheRootOfTheSlope(): void
    {
        $at = static fn (float $fall): float => self::reckon('flow', [
            'id_mm' => 100,
            'fall_mm_per_m' => $fall,
            'fill' => 0.4,
        ])['velocity_m_per_s'];
        // A fall is told along the level; the slope is the sine of its angle.
        $slope = static fn (float $fall): float => sin(atan($fall / 1000));
        self::assertEqualsWithDelta(sqrt($slope(40) / $slope(10)), $at(40) / $at(10), 1e-9);
    }
}
