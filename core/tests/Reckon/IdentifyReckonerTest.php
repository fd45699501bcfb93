<?php

declare(strict_types=1);

namespace FallBend\Core\Tests\Reckon;

use PHPUnit\Framework\TestCase;

/** Which pipe stands there, by what was measured and seen. */
final class IdentifyReckonerTest extends TestCase
{
    use Reckons;

    private const FOUR_INCHES = ['circumference_mm' => 346, 'reading_error_mm' => 3.2];

    public function testAMagnetThatHoldsLeavesIronOnly(): void
    {
        $answer = self::reckon('identify', ['magnet' => true] + self::FOUR_INCHES);
        self::assertSame(['iron'], array_values(array_unique(array_column($answer['candidates'], 'material'))));
        self::assertContains('out: magnet holds', array_column($answer['excluded'], 'out'));
    }

    public function testWhatIsSeenAddsUpToOneWithNoneOfThese(): void
    {
        $answer = self::reckon('identify', ['magnet' => true] + self::FOUR_INCHES);
        $sum = array_sum(array_column($answer['candidates'], 'likelihood')) + $answer['none']['likelihood'];
        self::assertEqualsWithDelta(1.0, $sum, 1e-6);
    }

    public function testWhatIsLikeNothingIsNotCutBeforeItIsKnown(): void
    {
        $answer = self::reckon('identify', ['od_mm' => 700, 'reading_error_mm' => 0]);
        self::assertSame([[], true], [$answer['candidates'], $answer['none']['is_likeliest']]);
        self::assertStringContainsString('asbestos', $answer['none']['stop']);
    }
}
