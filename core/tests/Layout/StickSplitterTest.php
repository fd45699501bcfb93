<?php

declare(strict_types=1);

namespace FallBend\Core\Tests\Layout;

use FallBend\Core\Layout\StickSplitter;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;

final class StickSplitterTest extends TestCase
{
    /** @return iterable<string, array{float, list<float>}> span, pieces; sticks of 1000, stops of 3, least 40 */
    public static function spans(): iterable
    {
        yield 'shorter than a stick' => [700, [700]];
        yield 'just a stick' => [1000, [1000]];
        yield 'a little more: the last two share' => [1001, [499, 499]];
        yield 'a stick and the least piece' => [1043, [1000, 40]];
        yield 'a stick and less than the least piece' => [1042.9, [519.95, 519.95]];
        yield 'two sticks' => [2003, [1000, 1000]];
        yield 'two sticks and a rest' => [2306, [1000, 1000, 300]];
    }

    /** @param list<float> $pieces */
    #[DataProvider('spans')]
    public function testSplits(float $span, array $pieces): void
    {
        self::assertEqualsWithDelta($pieces, StickSplitter::split($span, 1000, 3, 40), 1e-9);
    }

    public function testPiecesAndStopsAddUpAndNoneIsTooLongOrTooShort(): void
    {
        mt_srand(5);
        for ($i = 0; $i < 2000; $i++) {
            $span = mt_rand(40_000, 90_000_000) / 1000;
            $pieces = StickSplitter::split($span, 3048, 3.175, 38.1);
            self::assertEqualsWithDelta($span, array_sum($pieces) + (count($pieces) - 1) * 3.175, 1e-6);
            self::assertLessThanOrEqual(3048 + 1e-6, max($pieces));
            self::assertGreaterThanOrEqual(38.1 - 1e-6, min($pieces), (string) $span);
        }
    }
}
