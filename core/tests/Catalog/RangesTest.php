<?php

declare(strict_types=1);

namespace FallBend\Core\Tests\Catalog;

use FallBend\Core\Catalog\Catalogue;
use FallBend\Core\Catalog\CatalogueAdditionFile;
use FallBend\Core\Catalog\CatalogueOverride;
use FallBend\Core\Catalog\CatalogueOverrideFile;
use FallBend\Core\Catalog\OwnNumbers;
use FallBend\Core\Catalog\RulebookOverride;
use FallBend\Core\Catalog\RulebookOverrideFile;
use FallBend\Core\Evaluation\JobEvaluator;
use FallBend\Core\Input\BadInput;
use FallBend\Core\Input\Fields;
use FallBend\Core\Job\JobFile;
use FallBend\Core\Report\EvaluationReport;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;

final class RangesTest extends TestCase
{
    public function testEveryNumberThatShipsLiesInItsRange(): void
    {
        $catalogue = Catalogue::shipped();
        $seen = 0;
        foreach ($catalogue->rulebookKeys() as $book) {
            foreach ($catalogue->rulebook($book)->thresholds() as $id => $threshold) {
                if ($threshold->value !== null) {
                    RulebookOverrideFile::read(
                        Fields::of(['rulebook' => $book, 'threshold' => $id, 'value' => $threshold->value]),
                        $catalogue,
                    );
                    $seen++;
                }
            }
        }
        foreach (self::numbers($catalogue) as [$table, $row, $field, $value]) {
            if ($value !== null) {
                self::number($catalogue, $table, $row, $field, $value);
                $seen++;
            }
        }
        self::assertGreaterThan(2000, $seen);
    }

    /** @param array<string, mixed> $threshold */
    #[DataProvider('nonsense')]
    public function testWhatNothingCanBeReckonedWithIsRefusedAtTheValue(array $threshold, string $message): void
    {
        try {
            RulebookOverrideFile::read(Fields::of($threshold), Catalogue::shipped());
            self::fail('it was taken');
        } catch (BadInput $bad) {
            self::assertSame(['value', $message], [$bad->field, $bad->getMessage()]);
        }
    }

    /** @return iterable<string, array{array<string, mixed>, string}> */
    public static function nonsense(): iterable
    {
        $set = static fn (string $id, float $value): array => [
            'rulebook' => 'ipc-2021',
            'threshold' => $id,
            'value' => $value,
        ];
        yield 'a pipe without friction' => [$set('flow.roughness', 0), 'must be from 0.005 to 0.05 (n)'];
        yield 'clips at no distance' => [$set('support.level.plastic', 0), 'must be from 250 to 20000 (mm)'];
        yield 'half a yes' => [
            $set('joint.primer.pvc', 0.5),
            'must be a whole number from 0 to 1 (1 for yes, 0 for no)',
        ];
        yield 'a hole deeper than its joist' => [$set('joist.hole-most', 1.5), 'must be from 0 to 1 (of depth)'];
        yield 'below nothing' => [$set('fall.least.small', -1), 'must be from 0 to 1000 (mm per m)'];
    }

    public function testARowOfOnesOwnHasTheSameRanges(): void
    {
        $bend = [
            'id' => 'own/bend',
            'pattern' => 'quarter',
            'size' => '3',
            'name' => 'bend',
            'maker_name' => 'as cast',
            'nominal_deg' => 90,
            'turn_deg' => 90,
            'take_off_mm' => 80,
            'radius_mm' => 0,
            'source' => 'measured',
        ];
        $this->expectExceptionMessage('must be from 1 to 2000');
        CatalogueAdditionFile::read(
            Fields::of(['table' => 'pvc-dwv-40', 'group' => 'bends', 'row' => $bend]),
            Catalogue::shipped(),
        );
    }

    #[DataProvider('ends')]
    public function testTheDemosAreWorkedOutWithEveryNumberAtTheEndOfItsRange(string $end): void
    {
        $catalogue = Catalogue::shipped();
        $evaluator = new JobEvaluator($catalogue);
        foreach (['mill-row-pottery', 'weir-cottage-office'] as $demo) {
            $job = (new JobFile($catalogue))->parse(
                (string) file_get_contents(dirname(__DIR__, 3)."/database/demo/{$demo}.json"),
            );
            $thresholds = array_filter(
                $catalogue->rulebook($job->rulebook)->thresholds(),
                static fn ($threshold): bool => $threshold->value !== null,
            );
            $set = array_map(
                static fn (string $id): RulebookOverride => self::threshold($catalogue, $job->rulebook, $id, $end),
                array_keys($thresholds),
            );
            self::assertNotSame(
                [],
                (new EvaluationReport($evaluator->evaluate($job, null, new OwnNumbers([], $set))))->toArray()['runs'],
            );
            $byTable = [];
            foreach (self::numbers($catalogue) as [$table, $row, $field]) {
                $byTable[$table][] = self::atEnd(
                    $end,
                    static fn (float $value): CatalogueOverride => self::number(
                        $catalogue,
                        $table,
                        $row,
                        $field,
                        $value,
                    ),
                );
            }
            foreach (
                array_intersect_key(
                    $byTable,
                    array_flip(['pvc-dwv-40', 'ci-hub-service', 'pvcu-soil', ...Catalogue::PARTS]),
                ) as $table => $numbers
            ) {
                $evaluation = (new EvaluationReport(
                    $evaluator->evaluate($job, null, new OwnNumbers($numbers)),
                ))->toArray();
                self::assertSameSize($job->runs, $evaluation['runs'], "{$demo} with {$table}");
                json_encode($evaluation, JSON_THROW_ON_ERROR);
            }
        }
    }

    /** @return array<string, array{string}> */
    public static function ends(): array
    {
        return ['least' => ['from'], 'most' => ['to']];
    }

    private static function threshold(Catalogue $catalogue, string $book, string $id, string $end): RulebookOverride
    {
        return self::atEnd(
            $end,
            static fn (float $value): RulebookOverride => RulebookOverrideFile::read(
                Fields::of(['rulebook' => $book, 'threshold' => $id, 'value' => $value]),
                $catalogue,
            ),
        );
    }

    private static function number(
        Catalogue $catalogue,
        string $table,
        string $row,
        string $field,
        float $value,
    ): CatalogueOverride {
        return CatalogueOverrideFile::read(
            Fields::of(['table' => $table, 'row' => $row, 'field' => $field, 'value' => $value]),
            $catalogue,
        );
    }

    /**
     * @template T
     *
     * @param callable(float): T $set
     * @return T with the value that the refusal of a far too large one names
     */
    private static function atEnd(string $end, callable $set): mixed
    {
        try {
            $set(1e9);
            self::fail('taken without a limit');
        } catch (BadInput $bad) {
            self::assertSame(1, preg_match("/ {$end} (-?[\d.]+)/", $bad->getMessage(), $found), $bad->getMessage());

            return $set((float) $found[1]);
        }
    }

    /** @return iterable<array{string, string, string, ?float}> table, row, field, value */
    private static function numbers(Catalogue $catalogue): iterable
    {
        foreach ($catalogue->tableKeys() as $table) {
            foreach ($catalogue->table($table) as $rows) {
                foreach (is_array($rows) && array_is_list($rows) ? $rows : [] as $row) {
                    if (is_array($row) && is_string($row['id'] ?? null)) {
                        foreach (Catalogue::numbers($row) as $field) {
                            yield [$table, $row['id'], $field, is_numeric($row[$field]) ? (float) $row[$field] : null];
                        }
                    }
                }
            }
        }
    }
}
