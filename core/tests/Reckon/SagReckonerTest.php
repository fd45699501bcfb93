<?php

declare(strict_types=1);

namespace FallBend\Core\Tests\Reckon;

use PHPUnit\Framework\TestCase;

/** How far pipe sags between two hangers. */
final class SagReckonerTest extends TestCase
{
    use Reckons;

    /**
     * @param array<string, mixed> $more
     * @return array<string, mixed>
     */
    private static function sag(float $span, array $more = []): array
    {
        return self::reckon('sag', $more + [
            'system' => 'abs-dwv-40',
            'size' => '2',
            'span_mm' => $span,
            'fill' => 1,
            'contents_c' => 20,
            'duration' => 'years',
            'ends' => 'simple',
            'fall_mm_per_m' => 20,
        ]);
    }

    public function testTwiceTheSpanIsSixteenTimesTheSag(): void
    {
        self::assertEqualsWithDelta(16.0, self::sag(1600)['deflection_mm'] / self::sag(800)['deflection_mm'], 1e-3);
    }

    public function testWaterStandsWhereItIsSteeperUpThanThePipeFalls(): void
    {
        $longest = self::sag(1000)['longest_span_mm'];
        self::assertFalse(self::sag($longest - 1)['ponds']);
        self::assertTrue(self::sag($longest + 1)['ponds']);
        self::assertContains('sag.ponds', self::found(self::sag($longest + 50)));
    }

    public function testWhatNobodyMeasuredIsNotKnown(): void
    {
        $answer = self::sag(1000, ['system' => 'clay-c700', 'size' => '4']);
        self::assertSame([null, null], [$answer['deflection_mm'], $answer['ponds']]);
        self::assertSame(['sag.modulusNotKnown'], self::found($answer));
    }
}
