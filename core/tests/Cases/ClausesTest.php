<?php

declare(strict_types=1);

namespace FallBend\Core\Tests\Cases;

use FallBend\Core\Tests\Network\CaseJob;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;

/**
 * Clauses of the books, on both sides of each limit: rows of book, small network, what is found and what is not.
 * Written from the clauses.
 *
 * @phpstan-type ClauseCase array{
 *     book: string,
 *     name: string,
 *     clause: string,
 *     runs: array<string, array{0: string, 1: string, 2: string, 3?: array<string, mixed>}>,
 *     obstacles?: list<array<string, mixed>>,
 *     building?: array<string, mixed>,
 *     finds: list<string>,
 *     clean: list<string>,
 * }
 */
final class ClausesTest extends TestCase
{
    /** @return iterable<string, array{array<string, mixed>}> */
    public static function cases(): iterable
    {
        return CaseRows::of('clauses.json');
    }

    /** @param ClauseCase $case */
    #[DataProvider('cases')]
    public function testItIsJudgedAsTheClauseHasIt(array $case): void
    {
        $findings = CaseJob::findings(
            CaseJob::of($case['book'], $case['runs'], $case['obstacles'] ?? [], building: $case['building'] ?? []),
            true,
        );
        $said = implode(', ', $findings);
        $isFound = static fn (string $one): bool => array_filter(
            $findings,
            // Without a run: on whichever it is.
            static fn (string $found): bool => $found === $one || str_starts_with($found, "{$one}@"),
        ) !== [];
        foreach ($case['finds'] as $one) {
            self::assertTrue($isFound($one), "{$one} is wanted: {$said}");
        }
        foreach ($case['clean'] as $one) {
            self::assertFalse($isFound($one), "{$one} is not wanted: {$said}");
        }
        self::assertNotSame([], [...$case['finds'], ...$case['clean']]);
    }
}
