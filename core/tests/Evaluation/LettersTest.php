<?php

declare(strict_types=1);

namespace FallBend\Core\Tests\Evaluation;

use FallBend\Core\Catalog\Catalogue;
use FallBend\Core\Catalog\CatalogueOverride;
use FallBend\Core\Catalog\CatalogueOverrideFile;
use FallBend\Core\Catalog\OwnNumbers;
use FallBend\Core\Evaluation\EvaluatedJob;
use FallBend\Core\Evaluation\JobEvaluator;
use FallBend\Core\Input\BadInput;
use FallBend\Core\Input\Fields;
use FallBend\Core\Job\JobFile;
use FallBend\Core\Job\Marks;
use FallBend\Core\Job\Run;
use FallBend\Core\Report\RunReport;
use PHPUnit\Framework\TestCase;

/**
 * The letters and numbers that a job is kept with are those that its evaluation shows, whatever number is set of one's
 * own.
 */
final class LettersTest extends TestCase
{
    public function testTheLettersKeptAreTheLettersShown(): void
    {
        $catalogue = Catalogue::shipped();
        $evaluator = new JobEvaluator($catalogue);
        $job = (new JobFile($catalogue))->parse(
            (string) file_get_contents(__DIR__.'/../../../database/demo/weir-cottage-office.json'),
        );
        // As it is when it is typed anew: nothing is marked yet.
        $job = $job->withRuns(array_map(static fn (Run $run): Run => $run->withMarks(new Marks), $job->runs));
        $tried = 0;
        foreach (
            array_unique([
                ...array_map(static fn (Run $run): string => $run->system, $job->runs),
                'couplings',
                'adapters',
                'gaskets',
            ]) as $table
        ) {
            foreach ($catalogue->table($table) as $group) {
                foreach (is_array($group) && array_is_list($group) ? $group : [] as $row) {
                    foreach (is_array($row) ? Catalogue::numbers($row) : [] as $field) {
                        foreach ([0.5, 1.7] as $times) {
                            $own = self::override(
                                $catalogue,
                                $table,
                                (string) ($row['id'] ?? ''),
                                $field,
                                (float) ($row[$field] ?? 30) * $times,
                            );
                            if ($own !== null) {
                                $tried++;
                                self::assertShownAsKept(
                                    $evaluator->evaluate($job, null, new OwnNumbers([$own])),
                                    "{$table} {$own->row} {$field} {$own->value}",
                                );
                            }
                        }
                    }
                }
            }
        }
        self::assertGreaterThan(657, $tried);
    }

    private static function assertShownAsKept(EvaluatedJob $evaluated, string $with): void
    {
        $reports = new RunReport($evaluated->job()->units);
        foreach ($evaluated->job()->runs as $run) {
            ['pieces' => $pieces, 'joints' => $joints] = $reports->write($evaluated->run($run->id), []);
            foreach ($pieces as $piece) {
                self::assertSame($piece['letter'], $run->marks->onPiece($piece['key']), $with);
            }
            foreach ($joints as $joint) {
                self::assertSame($joint['mark'], $run->marks->atJoint($joint['key']), $with);
                self::assertSame($joint['number'], $run->marks->joints[$joint['key']] ?? null, $with);
            }
        }
    }

    private static function override(
        Catalogue $catalogue,
        string $table,
        string $row,
        string $field,
        float $value,
    ): ?CatalogueOverride {
        try {
            return CatalogueOverrideFile::read(
                Fields::of(['table' => $table, 'row' => $row, 'field' => $field, 'value' => $value]),
                $catalogue,
            );
        } catch (BadInput) {
            // Out of its range.
            return null;
        }
    }
}
