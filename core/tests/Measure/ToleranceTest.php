<?php

declare(strict_types=1);

namespace FallBend\Core\Tests\Measure;

use FallBend\Core\Measure\Tolerance;
use PHPUnit\Framework\TestCase;

final class ToleranceTest extends TestCase
{
    public function testWhatIsOffByNoMoreThanTheToleranceIsTaken(): void
    {
        self::assertFalse(Tolerance::isOver(10.5, 10.0, 0.5));
        self::assertTrue(Tolerance::isOver(10.75, 10.0, 0.5));
        self::assertFalse(Tolerance::isUnder(9.5, 10.0, 0.5));
        self::assertTrue(Tolerance::isUnder(9.25, 10.0, 0.5));
    }
}
