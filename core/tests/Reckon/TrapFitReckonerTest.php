<?php

declare(strict_types=1);

namespace FallBend\Core\Tests\Reckon;

use PHPUnit\Framework\TestCase;

/** A trap between a tailpiece and an outlet in the wall. */
final class TrapFitReckonerTest extends TestCase
{
    use Reckons;

    /**
     * @param array<string, mixed> $trap
     * @return array<string, mixed>
     */
    private static function fitted(array $trap, float $tailUpMm = 500.0): array
    {
        return self::reckon('trap-fit', [
            'fixture' => 'kitchen-sink',
            'rulebook' => 'adh-2015',
            'tailpiece' => ['at' => [0, 0, $tailUpMm], 'size' => '40', 'length_mm' => 100],
            'outlet' => [
                'at' => [0, 250, 380],
                'along' => [0, 1, 0],
                'system' => 'pvcu-solvent',
                'size' => '40',
                'depth_mm' => 30,
            ],
            'trap' => $trap + ['pattern' => 'bottle', 'size' => '40'],
        ]);
    }

    private const BOTTLE = ['tall_mm' => 95, 'reach_mm' => 0, 'elbow_mm' => 25, 'seal_mm' => 75, 'adjust_mm' => 20];

    public function testTheWallTubeReachesFromTheTrapIntoTheSocket(): void
    {
        $answer = self::fitted(self::BOTTLE);
        // 250 mm to the wall, 25 of them in the trap; 30 mm go into the socket.
        self::assertEqualsWithDelta(255.0, $answer['cuts'][0]['length_mm'], 0.1);
        self::assertTrue($answer['fits']);
        self::assertSame([], self::found($answer));
    }

    public function testATailpieceThatHangsTooLowIsShortened(): void
    {
        // The trap is 95 mm tall and its arm falls 18 mm per m: the tailpiece ends 99.5 mm over the outlet, drawn out
        // or in by 20.
        self::assertSame(0.0, self::fitted(self::BOTTLE)['shorten_mm']);
        self::assertGreaterThan(0.0, self::fitted(self::BOTTLE, 430.0)['shorten_mm']);
        self::assertGreaterThan(0.0, self::fitted(self::BOTTLE, 560.0)['extend_mm']);
    }

    public function testNothingIsCutForATrapThatNobodyMeasured(): void
    {
        $answer = self::fitted([]);
        self::assertSame([[], false], [$answer['cuts'], $answer['fits']]);
        self::assertSame(['trapfit.measure'], self::found($answer));
    }
}
