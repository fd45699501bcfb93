<?php

declare(strict_types=1);

namespace FallBend\Core\Tests\Cases;

use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;

/**
 * Cases of the trade: joints and their parts, pipes as they stand, what is on the list to buy, branches at odd angles,
 * and what is said on the call-out line. Each row has what goes in, what is to come out, and why.
 */
final class TradeCasesTest extends TestCase
{
    /** @param array<string, mixed> $case */
    #[DataProvider('cases')]
    public function testItIsAsTheTradeHasIt(array $case): void
    {
        self::assertNotSame('', $case['why'] ?? '', 'each case says why');
        $check = match ($case['kind']) {
            'joint' => JointCase::check(...),
            'identify' => IdentifyCase::check(...),
            'materials' => MaterialCase::check(...),
            'odd-branch' => OddBranchCase::check(...),
            'call-out' => CallOutCase::check(...),
            default => self::fail('no such kind of case'),
        };
        // @phpstan-ignore argument.type (each kind of case has its own shape, which its class says)
        $check($case);
    }

    public function testThereAreCasesOfEveryKind(): void
    {
        $kinds = array_count_values(array_column(array_column(iterator_to_array(self::cases()), 0), 'kind'));
        self::assertGreaterThanOrEqual(120, array_sum($kinds));
        foreach (['joint', 'identify', 'materials', 'odd-branch', 'call-out'] as $kind) {
            self::assertGreaterThanOrEqual(10, $kinds[$kind] ?? 0, $kind);
        }
    }

    /** @return iterable<string, array{array<string, mixed>}> */
    public static function cases(): iterable
    {
        $file = json_decode((string) file_get_contents(__DIR__.'/cases.json'), true, 16, JSON_THROW_ON_ERROR);
        foreach ($file['rows'] as $n => $case) {
            $what = $case['line'] ?? (isset($case['a']) ? "{$case['a']} | {$case['b']}" : $case['why']);
            yield "{$n} {$case['kind']}: {$what}" => [$case];
        }
    }
}
