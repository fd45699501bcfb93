<?php

declare(strict_types=1);

namespace FallBend\Core\Tests\Reckon;

use PHPUnit\Framework\TestCase;

/** How sure a row of cuts is to close, and which joint is made last. */
final class ClosingGapReckonerTest extends TestCase
{
    use Reckons;

    public function testReadingsOfOneTapeAddUpAndCutsSpread(): void
    {
        $one = ['length_mm' => 400, 'reading_mm' => 0.8, 'cutting_mm' => 1];
        $answer = self::reckon('closing-gap', [
            'distribution' => 'uniform',
            'shared_mm' => 0.3,
            'chain' => [$one, $one],
            'joints' => [],
        ]);
        // An even spread over ±a has the variance a²/3; what the tape itself is off is the same in both readings.
        $expected = sqrt((2 * (0.8 ** 2 + 1.0 ** 2)) / 3 + (2 * 0.3) ** 2);
        self::assertEqualsWithDelta($expected, $answer['spread_mm'], 1e-9);
    }

    public function testTheJointThatGivesMostIsMadeLast(): void
    {
        $answer = self::reckon('closing-gap', [
            'distribution' => 'normal',
            'chain' => [['length_mm' => 900, 'reading_mm' => 1, 'cutting_mm' => 1]],
            'joints' => [
                ['id' => 'stiff', 'short_mm' => 0.1, 'long_mm' => 0.1],
                ['id' => 'loose', 'short_mm' => 6, 'long_mm' => 6],
            ],
        ]);
        self::assertSame('loose', $answer['last']);
        self::assertSame(['loose', 'stiff'], array_column($answer['joints'], 'id'));
        self::assertSame($answer['joints'][0]['chance'], $answer['chance_it_closes']);
    }
}
