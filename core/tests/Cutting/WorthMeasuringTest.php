<?php

declare(strict_types=1);

namespace FallBend\Core\Tests\Cutting;

use FallBend\Core\Catalog\Catalogue;
use FallBend\Core\Evaluation\EvaluatedJob;
use FallBend\Core\Evaluation\JobEvaluator;
use FallBend\Core\Job\JobFile;
use FallBend\Core\Layout\Piece;
use FallBend\Core\Verdict\RuleId;
use PHPUnit\Framework\TestCase;

/** Nothing waits for the measurement of a fitting; what one would spare is said, the most useful first. */
final class WorthMeasuringTest extends TestCase
{
    private const DEMO = __DIR__.'/../../../database/demo/mill-row-pottery.json';

    public function testTheDemoHouseIsCutAndBoughtWithNoFittingMeasured(): void
    {
        $house = self::house([]);
        $isUnknownPipe = [];
        foreach ($house->layout()->runs as $id => $run) {
            foreach ($house->findings($id) as $finding) {
                $isUnknownPipe[$id] ??= false;
                $isUnknownPipe[$id] = $isUnknownPipe[$id] || $finding->rule === RuleId::JointUnknownPipe;
            }
            $last = array_key_last($run->pieces);
            foreach ($run->pieces as $n => $piece) {
                // Only where it runs to a pipe that nobody has identified yet is a length not known.
                self::assertSame(
                    ($isUnknownPipe[$id] ?? false) && $n === $last,
                    ! $piece->isCutKnown,
                    "{$id} {$piece->letter}",
                );
                self::assertSame($piece->doubtMm() > 0.0, ($piece->doubt->parts ?? []) !== []);
            }
        }
        $bought = [];
        foreach ($house->materials()->rows() as $row) {
            if ($row['shelf'] === 'pipe') {
                $bought["{$row['letters']} {$row['size']}"] = true;
            }
        }
        foreach ($house->layout()->runs as $run) {
            foreach (array_filter($run->pieces, static fn (Piece $piece): bool => $piece->isCutKnown) as $piece) {
                self::assertArrayHasKey("{$run->system->letters} {$piece->size}", $bought);
            }
        }
    }

    public function testTheFittingThatSparesMostIsNamedFirstAndMeasuredItsPiecesAreExact(): void
    {
        $list = self::house([])->cutting()->worthMeasuring();
        self::assertGreaterThan(8, count($list));
        $spares = array_map(static fn (array $one): float => $one['pieces'] * $one['doubt']['mm'], $list);
        $sorted = $spares;
        rsort($sorted);
        self::assertSame($sorted, $spares);
        $first = current(array_filter($list, static fn (array $one): bool => $one['like'] === 'branch'));
        self::assertIsArray($first);
        $measured = array_map(
            static fn (string $field): array => [
                'table' => $first['system'],
                'row' => $first['row'],
                'field' => $field,
                'value' => 60.0,
                'source' => 'measured',
            ],
            ['run_in_mm', 'run_out_mm', 'branch_mm'],
        );
        $after = self::house($measured);
        self::assertNotContains($first['row'], array_column($after->cutting()->worthMeasuring(), 'row'));
        foreach ($after->layout()->runs as $run) {
            foreach ($run->pieces as $piece) {
                self::assertNotContains($first['row'], array_column($piece->doubt->parts ?? [], 'id'));
            }
        }
        $run = $first['runs'][0];
        $spared = $first['pieces'] === 1 ? 'one piece gets' : "{$first['pieces']} pieces get";
        self::assertContains(
            "one {$first['name']}: {$spared} exact",
            self::house([])->ticket($run)->worthMeasuring(),
        );
        self::assertNotContains($first['name'], $after->ticket($run)->worthMeasuring());
    }

    public function testSticksAreCutLongAndAPieceThatIsCutIsLongNoMore(): void
    {
        $house = self::house([]);
        $cutting = $house->cutting();
        $long = 0;
        foreach ($cutting->ofRun('house')['pieces'] as $n => $row) {
            $piece = $house->run('house')->pieces[$n];
            if ($row['long'] !== null) {
                self::assertEqualsWithDelta($piece->cutMm + $piece->doubtMm(), $row['long']['mm'], 1e-9);
                $long++;
            }
        }
        self::assertGreaterThan(2, $long);
        $lengths = [];
        foreach ($cutting->ofRun('house')['groups'] as $group) {
            foreach ($group['sticks'] as $stick) {
                foreach ($stick['cuts'] as $cut) {
                    $lengths["{$cut['run']} {$cut['key']}"] = $cut['length']['mm'];
                }
            }
        }
        foreach ($house->run('house')->pieces as $piece) {
            self::assertEqualsWithDelta(
                $piece->cutMm + $piece->doubtMm(),
                $lengths["house {$piece->key}"],
                1e-9,
                'a stick has room for what is trimmed off',
            );
        }
    }

    /** @param list<array<string, mixed>> $measured in place of every fitting that the demo's crew measured */
    private static function house(array $measured): EvaluatedJob
    {
        $file = new JobFile(Catalogue::shipped());
        /** @var array{overrides: array{catalogue: list<array{table: string}>}} $document */
        $document = json_decode((string) file_get_contents(self::DEMO), true, 64, JSON_THROW_ON_ERROR);
        $document['overrides']['catalogue'] = [
            ...array_filter(
                $document['overrides']['catalogue'],
                static fn (array $one): bool => $one['table'] === 'adapters',
            ),
            ...$measured,
        ];

        return (new JobEvaluator(Catalogue::shipped()))
            ->evaluate($file->parse(json_encode($document, JSON_THROW_ON_ERROR)));
    }
}
