<?php

declare(strict_types=1);

namespace FallBend\Core\Tests\Catalog;

use FallBend\Core\Catalog\Catalogue;
use FallBend\Core\Catalog\CatalogueOverrideFile;
use FallBend\Core\Catalog\OwnNumbers;
use FallBend\Core\Evaluation\JobEvaluator;
use FallBend\Core\Input\DataFile;
use FallBend\Core\Input\Fields;
use FallBend\Core\Job\JobFile;
use FallBend\Core\Report\EvaluationReport;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;

/** A server is given rows that were read before: it says the same as without them, whatever is set of one's own. */
final class StoredRowsTest extends TestCase
{
    protected function tearDown(): void
    {
        DataFile::know(['files' => [], 'rows' => []]);
    }

    public function testWhatIsStoredIsWhatIsRead(): void
    {
        $stored = Catalogue::shipped()->rowValues();
        DataFile::know(['files' => [], 'rows' => $stored]);
        self::assertSame($stored, Catalogue::shipped()->rowValues());
        self::assertEqualsCanonicalizing(
            [
                ...Catalogue::shipped()->systemKeys(),
                'couplings',
                'gaskets',
                'adapters',
                ...Catalogue::shipped()->rulebookKeys(),
            ],
            array_keys($stored),
        );
    }

    /** @return iterable<string, array{string, string, string, float}> */
    public static function overrides(): iterable
    {
        yield 'none' => ['', '', '', 0.0];
        yield 'a fitting' => ['pvc-dwv-40', 'combo/4x3', 'run_in_mm', 61.0];
        yield 'a pipe, which couplings and branch fittings follow' => ['pvc-dwv-40', 'pipe/2', 'od_mm', 61.0];
        yield 'a socket' => ['pvc-dwv-40', 'socket/2', 'depth_mm', 25.0];
        yield 'a coupling' => ['couplings', 'no-hub/4', 'length_mm', 60.0];
        yield 'an adapter' => ['adapters', 'male-adapter/1-1/2', 'body_mm', 30.0];
    }

    #[DataProvider('overrides')]
    public function testNumbersOfOnesOwnGoBeforeThem(string $table, string $row, string $field, float $value): void
    {
        $without = self::said($table, $row, $field, $value);
        DataFile::know(['files' => [], 'rows' => Catalogue::shipped()->rowValues()]);
        self::assertSame($without, self::said($table, $row, $field, $value));
    }

    private static function said(string $table, string $row, string $field, float $value): string
    {
        $catalogue = Catalogue::shipped();
        $own =
            $table === ''
                ? []
                : [
                    CatalogueOverrideFile::read(
                        Fields::of(['table' => $table, 'row' => $row, 'field' => $field, 'value' => $value]),
                        $catalogue,
                    ),
                ];
        $said = [];
        foreach (['mill-row-pottery', 'weir-cottage-office'] as $demo) {
            $job = (new JobFile($catalogue))->parse(
                (string) file_get_contents(__DIR__."/../../../database/demo/{$demo}.json"),
            );
            $said[] = (new EvaluationReport(
                (new JobEvaluator($catalogue))->evaluate($job, null, new OwnNumbers($own)),
            ))->toArray();
        }

        return json_encode($said, JSON_THROW_ON_ERROR);
    }
}
