<?php

declare(strict_types=1);

namespace FallBend\Core\Tests\Reckon;

use PHPUnit\Framework\TestCase;

/** Two equal bends over to a parallel line. */
final class RollingOffsetReckonerTest extends TestCase
{
    use Reckons;

    public function testANegativeCutIsAStopThatSaysByHowMuch(): void
    {
        $answer = self::reckon('rolling-offset', [
            'offset_mm' => 40,
            'rise_mm' => 0,
            'bend_deg' => 45,
            'take_off_mm' => [45, 45],
        ]);
        self::assertSame('stop', $answer['findings'][0]['severity']);
        self::assertStringContainsString('33 mm', $answer['findings'][0]['why']);
        self::assertSame(['offset.cutNegative'], self::found($answer));
        self::assertKeeps('rolling-offset', 'output', $answer);
    }

    public function testTheRollIsMeasuredFromLevel(): void
    {
        $roll = static fn (float $aside, float $up): float => self::reckon('rolling-offset', [
            'offset_mm' => $aside,
            'rise_mm' => $up,
            'bend_deg' => 45,
            'take_off_mm' => [45, 45],
        ])['roll_from_level_deg'];
        self::assertEqualsWithDelta(0.0, $roll(300, 0), 1e-9);
        self::assertEqualsWithDelta(45.0, $roll(300, 300), 1e-9);
        self::assertEqualsWithDelta(90.0, $roll(0, 300), 1e-9);
    }
}
