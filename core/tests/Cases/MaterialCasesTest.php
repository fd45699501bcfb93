<?php

declare(strict_types=1);

namespace FallBend\Core\Tests\Cases;

use FallBend\Core\Catalog\Catalogue;
use FallBend\Core\Evaluation\JobEvaluator;
use FallBend\Core\Job\Job;
use FallBend\Core\Tests\Network\CaseJob;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;

/**
 * A van is loaded from the list: what the ends of runs take beside pipe and fittings.
 *
 * @phpstan-type MaterialCase array{
 *     why: string,
 *     line: string,
 *     book?: string,
 *     want: list<array{string, string, string, int}>,
 *     no?: list<string>,
 *     left?: bool,
 * }
 */
final class MaterialCasesTest extends TestCase
{
    /** @param MaterialCase $case */
    #[DataProvider('cases')]
    public function testItIsOnTheList(array $case): void
    {
        $evaluator = new JobEvaluator(Catalogue::shipped());
        $empty = self::house($case['book'] ?? 'upc-2021');
        $before = self::counts($evaluator->evaluate($empty)->materials()->rows());
        $isLeft = $case['left'] ?? false;
        $said = $isLeft
            ? $evaluator->evaluate($empty, ['run' => 'stack', 'text' => "down 5' / north banana"])
            : $evaluator->evaluate($empty, ['run' => JobEvaluator::NEW_RUN, 'text' => $case['line']]);
        $rows = $said->materials()->rows();
        $after = self::counts($rows);
        foreach ($case['want'] as [$shelf, $what, $size, $count]) {
            $key = "{$shelf}|{$what}|{$size}";
            $more = ($after[$key] ?? 0) - ($before[$key] ?? 0);
            self::assertGreaterThanOrEqual($count, $more, "{$case['why']}: {$key}");
        }
        foreach ($case['no'] ?? [] as $what) {
            self::assertNotContains($what, array_column($rows, 'what'), $case['why']);
        }
        self::assertSame($isLeft, in_array('left-out', array_column($rows, 'shelf'), true), $case['why']);
        self::assertSame($isLeft, ($rows[0]['shelf'] ?? '') === 'left-out', 'it stands before all of the list');
    }

    /** @return iterable<string, array{MaterialCase}> */
    public static function cases(): iterable
    {
        $file = json_decode((string) file_get_contents(__DIR__.'/materials.json'), true, 8, JSON_THROW_ON_ERROR);
        foreach ($file['rows'] as $case) {
            yield $case['why'] => [$case];
        }
    }

    /**
     * @param list<array<string, mixed>> $rows
     * @return array<string, int>
     */
    private static function counts(array $rows): array
    {
        $counts = [];
        foreach ($rows as $row) {
            $key = "{$row['shelf']}|{$row['what']}|{$row['size']}";
            $counts[$key] = ($counts[$key] ?? 0) + $row['count'];
        }

        return $counts;
    }

    private static function house(string $book): Job
    {
        $main = $book === 'adh-2015' ? ['system' => 'pvcu-soil', 'size' => '110'] : ['size' => '3'];

        return CaseJob::of($book, ['stack' => ['socket', "down 12'", 'socket', $main]]);
    }
}
