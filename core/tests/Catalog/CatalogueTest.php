<?php

declare(strict_types=1);

namespace FallBend\Core\Tests\Catalog;

use FallBend\Core\Catalog\Catalogue;
use FallBend\Core\Catalog\CatalogueOverrideFile;
use FallBend\Core\Catalog\PipeSystem;
use FallBend\Core\Catalog\Rulebook;
use FallBend\Core\Catalog\RulebookOverrideFile;
use FallBend\Core\Input\BadInput;
use FallBend\Core\Input\Fields;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;

final class CatalogueTest extends TestCase
{
    public function testUnknownNamesAreBadInput(): void
    {
        foreach (
            [
                'system' => static fn (): PipeSystem => Catalogue::shipped()->system('lead'),
                'rulebook' => static fn (): Rulebook => Catalogue::shipped()->rulebook('../ipc-2021'),
            ] as $field => $ask
        ) {
            try {
                $ask();
                self::fail('was found');
            } catch (BadInput $bad) {
                self::assertSame($field, $bad->field);
            }
        }
    }

    public function testTakeOffsAreThoseOfTheTables(): void
    {
        $system = Catalogue::shipped()->system('pvc-dwv-40');
        self::assertEqualsWithDelta(2.3125 * 25.4, $system->bend('quarter', '2', false)?->takeOffMm, 0.001);
        self::assertEqualsWithDelta(1.75 * 25.4, $system->bend('eighth', '3', false)?->takeOffMm, 0.001);
        self::assertSame(88.8, $system->bend('long-sweep', '4', false)?->turnDeg, 'drainage quarter bends are pitched');
        self::assertNull($system->bend('sixth', '6', false), 'not made');
        self::assertSame(0.0, $system->bend('eighth', '3', false)?->doubtMm, 'stated');
        self::assertEqualsWithDelta(0.75 * 25.4, $system->pipe('2')->socketDepthMm, 0.001);
        self::assertTrue($system->isLarger('2', '1-1/2'));
        self::assertFalse($system->isLarger('2', '2'));
        self::assertNotNull($system->bushing('3', '1-1/2'));
        self::assertNull($system->bushing('1-1/2', '3'), 'a bushing makes smaller, not larger');
    }

    public function testOnlyStatedNumbersOfSomeConfidenceAreFreeOfDoubt(): void
    {
        $system = Catalogue::shipped()->system('pvc-dwv-40');
        self::assertFalse($system->bend('eighth', '2', false)?->provenance->isDoubtful());
        self::assertTrue($system->bend('long-sweep', '2', false)?->provenance->isDoubtful());
        self::assertTrue($system->bend('sixteenth', '2', false)?->provenance->isDoubtful());
        self::assertTrue($system->coupling('2')?->provenance->isDoubtful());
    }

    public function testAMeasuredBendMovesItsSpigotToo(): void
    {
        $catalogue = Catalogue::shipped();
        $override = CatalogueOverrideFile::read(
            Fields::of(['table' => 'pvc-dwv-40', 'row' => 'street-eighth/2', 'field' => 'take_off_mm', 'value' => 40]),
            $catalogue,
        );
        $before = $catalogue->system('pvc-dwv-40')->bend('eighth', '2', true);
        $after = $catalogue
            ->with([$override])
            ->system('pvc-dwv-40')
            ->bend('eighth', '2', true);
        self::assertNotNull($before);
        self::assertSame(40.0, $after?->takeOffMm);
        self::assertEqualsWithDelta(($before->spigotMm ?? NAN) + 40 - $before->takeOffMm, $after->spigotMm, 1e-9);
        self::assertSame('measured', $after->provenance->status);
        self::assertStringContainsString('In place of', $after->provenance->note);
        self::assertFalse($after->provenance->isDoubtful());
        self::assertSame(
            38.1,
            $catalogue->system('pvc-dwv-40')->bend('eighth', '2', true)?->takeOffMm,
            'the catalogue itself stays',
        );
    }

    public function testEveryNumberOfEveryTableCanBeSetAndIsSeenToBe(): void
    {
        $catalogue = Catalogue::shipped();
        $set = 0;
        foreach ($catalogue->tableKeys() as $table) {
            foreach ($catalogue->table($table) as $rows) {
                foreach (is_array($rows) && array_is_list($rows) ? $rows : [] as $row) {
                    foreach (is_array($row) && isset($row['id']) ? Catalogue::numbers($row) : [] as $field) {
                        // What the table leaves open: a clip every metre, a length of 33 mm.
                        $value = $row[$field] === null ? ($table === 'clips' ? 1000.0 : 33.0) : $row[$field] * 1.01;
                        $override = CatalogueOverrideFile::read(
                            Fields::of(['table' => $table, 'row' => $row['id'], 'field' => $field, 'value' => $value]),
                            $catalogue,
                        );
                        $mine = $catalogue->with([$override])->row($table, $row['id']);
                        self::assertSame(
                            [(float) $value, 'measured', $row[$field]],
                            [$mine[$field] ?? null, $mine['status'] ?? null, $mine['instead_of'][$field] ?? null],
                        );
                        $set++;
                    }
                }
            }
        }
        self::assertGreaterThan(900, $set);
        self::assertSame(60.325, $catalogue->system('pvc-dwv-40')->pipe('2')->outsideMm);
        $wide = $catalogue->with([
            CatalogueOverrideFile::read(
                Fields::of(['table' => 'ci-no-hub', 'row' => 'pipe/4', 'field' => 'od_mm', 'value' => 116]),
                $catalogue,
            ),
        ]);
        self::assertEqualsWithDelta(
            118.286,
            $wide->parts()->couplings['no-hub/4']->sides[0]->highMm,
            1e-6,
            'ranges that are derived follow',
        );
    }

    public function testALocalThresholdTakesThePlaceOfTheBooks(): void
    {
        $catalogue = Catalogue::shipped();
        $override = RulebookOverrideFile::read(
            Fields::of([
                'rulebook' => 'upc-2021',
                'threshold' => 'fall.least.large',
                'value' => 12,
                'source' => 'our inspector',
            ]),
            $catalogue,
        );
        $book = $catalogue->rulebook('upc-2021')->with([$override]);
        self::assertSame(12.0, $book->forSize('fall.least', '4')?->value);
        self::assertNull($book->forSize('fall.least', '4')->byApproval);
        self::assertSame('our inspector', $book->forSize('fall.least', '4')->provenance->source);
        self::assertEqualsWithDelta(
            1000 / 48,
            $catalogue
                ->rulebook('ipc-2021')
                ->with([$override])
                ->forSize('fall.least', '2')?->value,
            1e-6,
            'another book is not touched',
        );
        self::assertSame(
            ['rulebook' => 'upc-2021', 'threshold' => 'fall.least.large', 'value' => 12.0, 'source' => 'our inspector'],
            $override->toArray(),
        );
    }

    /** @return iterable<string, array{callable(array<string, mixed>): array<string, mixed>, string}> damage, place */
    public static function damages(): iterable
    {
        yield 'id twice' => [
            static fn (array $f): array => ['bends' => [$f['bends'][0], $f['bends'][0]]] + $f,
            'bends.1.id',
        ];
        yield 'size without a pipe' => [
            static fn (array $f): array => ['couplings' => [['size' => '9'] + $f['couplings'][0]]] + $f,
            'couplings.0.size',
        ];
        yield 'pipe without a socket' => [static fn (array $f): array => ['sockets' => []] + $f, 'pipes.0.size'];
        yield 'no source' => [
            static fn (array $f): array => ['bends' => [array_diff_key($f['bends'][0], ['source' => 1])]] + $f,
            'bends.0.source',
        ];
        yield 'unknown status' => [
            static fn (array $f): array => ['bends' => [['status' => 'guessed'] + $f['bends'][0]]] + $f,
            'bends.0.status',
        ];
        yield 'number out of range' => [
            static fn (array $f): array => ['bends' => [['turn_deg' => 400] + $f['bends'][0]]] + $f,
            'bends.0.turn_deg',
        ];
        yield 'another schema' => [static fn (array $f): array => ['schema' => 'x'] + $f, 'schema'];
    }

    /** @param callable(array<string, mixed>): array<string, mixed> $damage */
    #[DataProvider('damages')]
    public function testADamagedTableIsRefusedAtThePlace(callable $damage, string $place): void
    {
        /** @var array<string, mixed> $file */
        $file = json_decode(
            (string) file_get_contents(__DIR__.'/../../data/catalogue/pvc-dwv-40.json'),
            true,
            64,
            JSON_THROW_ON_ERROR,
        );
        try {
            PipeSystem::read(Fields::of($damage($file)), 0.4, Catalogue::shipped()->family('pvc-dwv-40'))->check();
            self::fail('was taken');
        } catch (BadInput $bad) {
            self::assertSame($place, $bad->field);
        }
    }

    public function testARulebookWithAThresholdTwiceIsRefused(): void
    {
        /** @var array<string, mixed> $file */
        $file = json_decode(
            (string) file_get_contents(__DIR__.'/../../data/rulebooks/ipc-2021.json'),
            true,
            64,
            JSON_THROW_ON_ERROR,
        );
        $file['thresholds'][1] = $file['thresholds'][0];
        $this->expectException(BadInput::class);
        Rulebook::read(Fields::of($file))->thresholds();
    }

    public function testBothBooksSpeakOfEveryBendInEveryOrientation(): void
    {
        foreach (['ipc-2021', 'upc-2021'] as $key) {
            $book = Catalogue::shipped()->rulebook($key);
            foreach (['sixteenth', 'eighth', 'sixth', 'quarter', 'long-sweep'] as $pattern) {
                foreach (['level-upright', 'upright-level', 'level-level'] as $orientation) {
                    self::assertNotNull(
                        $book->forTurn($pattern, $orientation)?->verdict,
                        "{$key} {$pattern} {$orientation}",
                    );
                }
            }
            self::assertNull($book->forTurn('quarter', 'upright-upright'));
        }
    }
}
