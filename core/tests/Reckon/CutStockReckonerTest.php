<?php

declare(strict_types=1);

namespace FallBend\Core\Tests\Reckon;

use PHPUnit\Framework\TestCase;

/** Which pieces come from which stick. */
final class CutStockReckonerTest extends TestCase
{
    use Reckons;

    public function testTheCheapestSticksAreTakenWhereMoneyCounts(): void
    {
        $ask = static fn (string $objective): array => self::reckon('cut-stock', [
            'stock' => [
                ['length_mm' => 3000, 'price' => 30],
                ['length_mm' => 2000, 'price' => 5],
            ],
            'kerf_mm' => 0,
            'parts' => [['tag' => 'A', 'length_mm' => 1000, 'count' => 3]],
            'objective' => $objective,
        ]);
        self::assertSame([10.0, true], [$ask('price')['used'], $ask('price')['optimal']]);
        self::assertSame([2000.0, 2000.0], array_column($ask('price')['sticks'], 'stock_mm'));
        self::assertSame([3000.0], array_column($ask('length')['sticks'], 'stock_mm'));
    }

    public function testEveryCutTakesItsKerf(): void
    {
        $ask = static fn (float $kerf): array => self::reckon('cut-stock', [
            'stock' => [['length_mm' => 2000]],
            'kerf_mm' => $kerf,
            'parts' => [['tag' => 'A', 'length_mm' => 1000, 'count' => 2]],
        ]);
        self::assertCount(1, $ask(0)['sticks']);
        self::assertCount(2, $ask(3)['sticks'], 'two pieces of half a stick do not come from one, cut by a saw');
    }

    public function testWhatIsLongerThanAStickIsLeftAndSaid(): void
    {
        $answer = self::reckon('cut-stock', [
            'stock' => [['length_mm' => 3048]],
            'kerf_mm' => 0,
            'parts' => [['tag' => 'B', 'length_mm' => 4000]],
        ]);
        self::assertContains('cut.tooLong', self::found($answer));
        self::assertSame(['B'], array_column($answer['left'], 'tag'));
    }
}
