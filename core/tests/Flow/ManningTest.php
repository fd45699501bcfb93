<?php

declare(strict_types=1);

namespace FallBend\Core\Tests\Flow;

use FallBend\Core\Flow\Manning;
use PHPUnit\Framework\TestCase;

final class ManningTest extends TestCase
{
    public function testHalfFullRunsAsFastAsFullAndCarriesHalf(): void
    {
        [$half, $full] = [Manning::at(100.0, 10.0, 0.5, 0.01), Manning::at(100.0, 10.0, 1.0, 0.01)];
        self::assertEqualsWithDelta($full->velocityMPerS, $half->velocityMPerS, 1e-9);
        self::assertEqualsWithDelta($full->dischargeLPerS / 2, $half->dischargeLPerS, 1e-9);
        self::assertEqualsWithDelta($full->dischargeLPerS, $full->fullBoreLPerS, 1e-9);
    }

    public function testTheDepthThatCarriesAFlowCarriesIt(): void
    {
        foreach ([0.2, 1.0, 3.0, 5.0] as $flow) {
            $at = Manning::carrying(102.3, 10.4, $flow, 0.009);
            self::assertNotNull($at);
            self::assertEqualsWithDelta($flow, $at->dischargeLPerS, 1e-4);
        }
        self::assertNull(Manning::carrying(35.0, 10.4, 3.0, 0.009), 'more than it carries at any depth');
    }

    public function testTheLargestFlowIsAtNineTenthsAndMore(): void
    {
        $most = Manning::at(100.0, 10.0, 0.938, 0.01)->dischargeLPerS;
        foreach ([0.9, 0.92, 0.96, 1.0] as $fill) {
            self::assertLessThan($most, Manning::at(100.0, 10.0, $fill, 0.01)->dischargeLPerS);
        }
    }
}
