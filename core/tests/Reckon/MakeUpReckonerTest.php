<?php

declare(strict_types=1);

namespace FallBend\Core\Tests\Reckon;

use PHPUnit\Framework\TestCase;

/** Ways from one end to another with bends that there are. */
final class MakeUpReckonerTest extends TestCase
{
    use Reckons;

    /**
     * @param list<float> $at
     * @param list<float> $along
     * @return array<string, mixed>
     */
    private static function end(array $at, array $along): array
    {
        return ['at' => $at, 'along' => $along, 'system' => 'pvc-dwv-40', 'size' => '2', 'end' => 'hub'];
    }

    public function testEveryWayEndsWhereItIsToAndTheBestIsFirst(): void
    {
        $answer = self::reckon('make-up', [
            'from' => self::end([0, 0, 0], [0, 1, -0.02]),
            'to' => self::end([500, 1500, -60], [0, 1, -0.02]),
        ]);
        self::assertNotSame([], $answer['solutions']);
        foreach ($answer['solutions'] as $way) {
            foreach ([[0, 0, 0], [500, 1500, -60]] as $end => $place) {
                $point = $way['points_mm'][$end === 0 ? 0 : count($way['points_mm']) - 1];
                self::assertEqualsWithDelta($place, $point, $way['closes_within_mm'] + 1e-6);
            }
        }
        $costs = array_column($answer['solutions'], 'cost');
        $sorted = $costs;
        sort($sorted);
        self::assertSame($sorted, $costs);
    }

    public function testNoWayIsSaidWithHowManyWereTried(): void
    {
        $answer = self::reckon('make-up', [
            'from' => self::end([0, 0, 0], [0, 1, 0]),
            'to' => self::end([0, 300, 20], [0, 1, 0]),
            'bends_deg' => [45],
            'max_bends' => 2,
        ]);
        self::assertSame([[], ['makeup.none']], [$answer['solutions'], self::found($answer)]);
        self::assertTrue($answer['searched']['exhaustive']);
    }

    public function testBetweenItsEndsEveryWayFallsAsMuchAsIsAsked(): void
    {
        $ask = static fn (float $least): array => self::reckon('make-up', [
            'from' => self::end([0, 0, 0], [0, 1, -0.02]),
            'to' => self::end([500, 1500, -60], [0, 1, -0.02]),
            'fall_mm_per_m' => ['least' => $least],
        ]);
        foreach ([20.0, 50.0] as $least) {
            $ways = $ask($least)['solutions'];
            self::assertNotSame([], $ways);
            foreach ($ways as $way) {
                // The first leg and the last lie as their ends do.
                $between = array_slice(array_column($way['legs'], 'fall_mm_per_m'), 1, -1);
                foreach ($between as $fall) {
                    self::assertGreaterThanOrEqual($least - 0.01, $fall);
                }
            }
        }
    }
}
