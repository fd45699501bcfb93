<?php

declare(strict_types=1);

namespace FallBend\Core\Tests\Reckon;

use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;

/** Length, drop and fall, and what a book says of it. */
final class FallReckonerTest extends TestCase
{
    use Reckons;

    private const BOOK = ['system' => 'pvc-dwv-40', 'size' => '2', 'rulebook' => 'ipc-2021'];

    /** @return iterable<string, array{array<string, mixed>, string, ?string}> input, outcome, source row */
    public static function verdicts(): iterable
    {
        yield 'enough' => [['length_mm' => 1000, 'fall_mm_per_m' => 20.9], 'pass', 'fall.least.small'];
        yield 'too little' => [['length_mm' => 1000, 'fall_mm_per_m' => 20.5], 'stop', 'fall.least.small'];
        yield 'too much' => [
            [
                'length_mm' => 1000,
                'fall_mm_per_m' => 95,
                'system' => 'pp-push-fit',
                'size' => '40',
                'rulebook' => 'adh-2015',
            ],
            'warn',
            'fall.least.small',
        ];
        yield 'backwards' => [['length_mm' => 1000, 'drop_mm' => -5], 'stop', 'fall.least.small'];
        yield 'by approval' => [
            ['length_mm' => 1000, 'fall_mm_per_m' => 11, 'rulebook' => 'upc-2021', 'size' => '4'],
            'warn',
            'fall.least.large',
        ];
        yield 'set locally' => [
            [
                'length_mm' => 1000,
                'fall_mm_per_m' => 20.9,
                'overrides' => [
                    'rulebook' => [['rulebook' => 'ipc-2021', 'threshold' => 'fall.least.small', 'value' => 25]],
                ],
            ],
            'stop',
            'fall.least.small',
        ];
    }

    /** @param array<string, mixed> $input */
    #[DataProvider('verdicts')]
    public function testFallIsJudged(array $input, string $outcome, ?string $row): void
    {
        $answer = self::reckon('fall', $input + self::BOOK);
        self::assertSame($outcome, $answer['verdict']['outcome']);
        self::assertSame($row, $answer['sources'][0]['row']);
        self::assertSame(isset($input['overrides']) ? 'measured' : 'stated', $answer['sources'][0]['status']);
        self::assertKeeps('fall', 'input', $input + self::BOOK);
        self::assertKeeps('fall', 'output', $answer);
    }
}
