<?php

declare(strict_types=1);

namespace FallBend\Core\Tests\Cases;

use FallBend\Core\Catalog\Catalogue;
use FallBend\Core\Evaluation\JobEvaluator;
use FallBend\Core\Job\Job;
use FallBend\Core\Tests\Network\CaseJob;
use PHPUnit\Framework\Assert;

/**
 * A van is loaded from the list: what the ends of runs take beside pipe and fittings.
 *
 * @phpstan-type Row array{
 *     why: string,
 *     line: string,
 *     book?: string,
 *     want: list<array{string, string, string, int}>,
 *     no?: list<string>,
 *     left?: bool,
 * }
 */
final class MaterialCase
{
    /** @param Row $case */
    public static function check(array $case): void
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
            Assert::assertGreaterThanOrEqual($count, $more, "{$case['why']}: {$key}");
        }
        foreach ($case['no'] ?? [] as $what) {
            Assert::assertNotContains($what, array_column($rows, 'what'), $case['why']);
        }
        Assert::assertSame($isLeft, in_array('left-out', array_column($rows, 'shelf'), true), $case['why']);
        Assert::assertSame($isLeft, ($rows[0]['shelf'] ?? '') === 'left-out', 'it stands before all of the list');
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
