<?php

declare(strict_types=1);

namespace Tests\Feature;

use App\Models\Crew;
use Illuminate\Foundation\Testing\RefreshDatabase;
use PHPUnit\Framework\Attributes\DataProvider;
use Tests\TestCase;

/** What leaves the product is read by readers that are not ours. */
final class FilesTest extends TestCase
{
    use RefreshDatabase;

    protected function setUp(): void
    {
        parent::setUp();
        $this->actingAs(self::member(Crew::query()->create(['name' => 'Day crew']), 'lead'));
    }

    /** @return iterable<string, array{string, list<string>, int}> list, some of its headers, least rows */
    public static function lists(): iterable
    {
        yield 'cut list' => ['cut', ['piece', 'cut length (mm)', 'cut length (in)'], 40];
        yield 'materials' => ['materials', ['shelf', 'count', "maker's name"], 30];
        yield 'joints' => ['joints', ['joint', 'method', 'along the run (mm)'], 60];
        yield 'sticks' => ['sticks', ['system', 'length (mm)', 'available'], 4];
        yield 'level readings' => ['levels', ['leg', 'string to crown, read (mm)', 'too low (mm)'], 30];
        yield 'hangers' => ['hangers', ['hanger', 'string to crown (mm)'], 50];
    }

    /** @param list<string> $headers */
    #[DataProvider('lists')]
    public function testEveryListIsATable(string $list, array $headers, int $least): void
    {
        $read = $this->read($list, self::demo());
        self::assertSame([[], "\r\n", ','], [$read['errors'], $read['linebreak'], $read['delimiter']]);
        self::assertSame([], array_diff($headers, $read['rows'][0]));
        self::assertGreaterThan($least, count($read['rows']));
        foreach ($read['rows'] as $row) {
            self::assertCount(count($read['rows'][0]), $row);
        }
    }

    public function testWhatASpreadsheetWouldReckonWithIsDefusedAndCommasAndQuotesStay(): void
    {
        $document = self::demo();
        $document['runs'][0]['name'] = '=CONCATENATE("x","y")';
        $document['runs'][1]['name'] = 'glaze, "wet", line';
        $runs = array_column($this->read('cut', $document)['rows'], 0);
        self::assertContains('\'=CONCATENATE("x","y")', $runs);
        self::assertContains('glaze, "wet", line', $runs);
        foreach ($runs as $cell) {
            self::assertDoesNotMatchRegularExpression('/^[=+\-@\t\r]/', $cell);
        }
    }

    /** A space of any kind, or what cannot be seen, before the sign does not keep a spreadsheet from reckoning. */
    public function testWhatStandsBeforeAFormulaDoesNotHideIt(): void
    {
        foreach (["\u{a0}=1+1", "\u{2007}+1", "\u{200b}=1", "\u{feff}-1", "\u{ff1d}1+1"] as $name) {
            $document = self::demo();
            $document['runs'][0]['name'] = $name;
            self::assertContains(
                "'{$name}",
                array_column($this->read('cut', $document)['rows'], 0),
                json_encode($name, JSON_THROW_ON_ERROR),
            );
        }
    }

    public function testTheCutListSaysTheLengthsOfTheTicket(): void
    {
        $rows = array_filter(
            $this->read('cut', self::demo())['rows'],
            static fn (array $row): bool => $row[0] === 'Clay-wash sink to iron stack',
        );
        $pieces = self::rows(
            $this->postJson('/api/cut', ['document' => self::demo(), 'run' => 'clay-wash'])->json('pieces'),
        );
        self::assertSame($pieces->pluck('letter')->all(), array_column($rows, 1));
        foreach (array_values($rows) as $n => $row) {
            self::assertEqualsWithDelta($pieces[$n]['now']['mm'], (float) $row[4], 0.001);
        }
        $this->postJson('/api/csv', ['document' => self::demo(), 'list' => 'everything'])->assertStatus(422);
    }

    public function testWhatWasReadAtTheHangersStandsBesideWhatItHasToBe(): void
    {
        $document = ['version' => 3] + self::demo();
        $document['hanging'][0]['readings'] = [
            ['leg' => 'l4', 'at_mm' => 304.8, 'below_mm' => 101.6],
            ['leg' => 'l4', 'at_mm' => 939.8, 'below_mm' => 111.125],
            ['leg' => 'l4', 'at_mm' => 1574.8, 'below_mm' => 128.5875],
        ];
        $rows = array_values(
            array_filter(
                $this->read('levels', $document)['rows'],
                static fn (array $row): bool => $row[0] === 'Clay-wash sink to iron stack' && $row[2] === '4',
            ),
        );
        self::assertSame(['101.6', '111.125', '128.588'], array_column($rows, 6));
        self::assertEqualsWithDelta(111.125 - (float) $rows[1][5], (float) $rows[1][7], 0.002);
    }

    /** @return iterable<string, array{string}> */
    public static function drawn(): iterable
    {
        yield 'from above' => ['plan'];
        yield 'along its length' => ['section'];
        yield 'isometric' => ['isometric'];
    }

    #[DataProvider('drawn')]
    public function testALineDrawingOpensInAReaderOfItsFormat(string $view): void
    {
        foreach (['clay-wash', 'stack', 'house'] as $run) {
            $read = $this->readBy('dxf', $this->drawing($run, 'dxf', $view));
            self::assertSame(4, $read['units'], 'millimetres');
            self::assertSame(['PIPE-CENTRE', 'PIPE-OUTLINE', 'FITTING', 'JOINT', 'MARK'], $read['layers']);
            $pieces = $this->postJson('/api/cut', ['document' => self::demo(), 'run' => $run])->json('pieces');
            $on = static fn (string $layer): array => array_filter(
                $read['entities'],
                static fn (array $entity): bool => $entity['layer'] === $layer,
            );
            self::assertCount(count($pieces), $on('PIPE-CENTRE'));
            $words = array_column($on('MARK'), 'text');
            foreach ($pieces as $piece) {
                self::assertContains($piece['letter'], $words);
            }
            $svg = simplexml_load_string($this->drawing($run, 'svg', $view));
            self::assertNotFalse($svg);
            self::assertCount(count($pieces), $svg->xpath('//*[@id="PIPE-CENTRE"]/*') ?: []);
        }
    }

    public function testTheModelOfEveryRunIsSound(): void
    {
        foreach (array_column(self::demo()['runs'], 'id') as $run) {
            $read = $this->readBy('gltf', $this->drawing($run, 'gltf', null));
            self::assertSame(
                [0, 0],
                [$read['issues']['numErrors'], $read['issues']['numWarnings']],
                $run.json_encode($read['issues']['messages']),
            );
            self::assertGreaterThan(0, $read['info']['totalTriangleCount']);
        }
        $this->postJson('/api/drawing', [
            'document' => self::demo(),
            'run' => 'mop',
            'format' => 'dxf',
            'view' => 'from below',
        ])->assertStatus(422);
        $this->postJson('/api/drawing', [
            'document' => self::demo(),
            'run' => 'mop',
            'format' => 'paint',
        ])->assertStatus(422);
    }

    private function drawing(string $run, string $format, ?string $view): string
    {
        return (string) $this->postJson(
            '/api/drawing',
            ['document' => self::demo(), 'run' => $run, 'format' => $format] +
                ($view === null ? [] : ['view' => $view]),
        )
            ->assertOk()
            ->getContent();
    }

    /** @return array<string, mixed> what a reader that is not ours finds in a file */
    private function readBy(string $reader, string $content): array
    {
        $file = (string) tempnam(sys_get_temp_dir(), $reader);
        file_put_contents($file, $content);
        $said = (string) shell_exec(
            'node '.escapeshellarg(base_path("tests/readers/{$reader}.mjs")).' '.escapeshellarg($file),
        );
        unlink($file);

        return json_decode($said, true, 64, JSON_THROW_ON_ERROR);
    }

    /**
     * @param array<string, mixed> $document
     * @return array{rows: list<list<string>>, errors: list<mixed>, linebreak: string, delimiter: string}
     */
    private function read(string $list, array $document): array
    {
        $answer = $this->postJson('/api/csv', ['document' => $document, 'list' => $list])->assertOk();
        self::assertStringStartsWith('text/csv; charset=', strtolower((string) $answer->headers->get('Content-Type')));

        /** @var array{rows: list<list<string>>, errors: list<mixed>, linebreak: string, delimiter: string} $read */
        $read = $this->readBy('csv', (string) $answer->getContent());

        return $read;
    }
}
