<?php

declare(strict_types=1);

namespace FallBend\Core\Tests\Reckon;

use PHPUnit\Framework\TestCase;

/** Whether parts can be put together, and in which order. */
final class WillItGoReckonerTest extends TestCase
{
    use Reckons;

    /**
     * @param array<string, mixed> $more
     * @return array<string, mixed>
     */
    private static function push(string $id, string $a, string $b, array $more = []): array
    {
        return $more + ['id' => $id, 'a' => $a, 'b' => $b, 'axis' => [1, 0, 0], 'depth_mm' => 40, 'kind' => 'push'];
    }

    public function testWhatHangsFreeIsPutTogetherOnTheBenchFirst(): void
    {
        $answer = self::reckon('will-it-go', [
            'pieces' => ['stub', 'bend', 'pipe'],
            'joints' => [self::push('1', 'stub', 'bend'), self::push('2', 'bend', 'pipe')],
            'fixed' => ['stub'],
        ]);
        self::assertTrue($answer['goes']);
        self::assertSame([['2'], ['1']], array_column($answer['order'], 'joints'));
        self::assertSame([true, false], array_column($answer['order'], 'on_bench'));
    }

    public function testBetweenTwoFixedEndsOneMustGive(): void
    {
        $ask = static fn (string $kind): array => self::reckon('will-it-go', [
            'pieces' => ['up', 'tee', 'down'],
            'joints' => [self::push('1', 'up', 'tee'), self::push('2', 'tee', 'down', ['kind' => $kind])],
            'fixed' => ['up', 'down'],
        ]);
        self::assertFalse($ask('push')['goes']);
        self::assertSame(['assembly.stuck'], self::found($ask('push')));
        self::assertTrue($ask('roll')['goes'], 'a sleeve is rolled back and over');
    }
}
