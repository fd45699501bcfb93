<?php

declare(strict_types=1);

namespace FallBend\Core\Tests\Job;

use FallBend\Core\Catalog\Catalogue;
use FallBend\Core\Input\BadInput;
use FallBend\Core\Job\JobFile;
use FallBend\Core\Job\Marks;
use Opis\JsonSchema\Validator;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;

final class JobFileTest extends TestCase
{
    private const ROOT = __DIR__.'/../../..';

    public function testTheDocumentedExampleIsReadAndWrittenUnchanged(): void
    {
        preg_match('/```json\n(.*?)```/s', (string) file_get_contents(self::ROOT.'/docs/job-file.md'), $found);
        $example = $found[1] ?? self::fail('docs/job-file.md has no example');
        $file = new JobFile(Catalogue::shipped());
        $job = $file->parse($example);
        self::assertEquals(
            json_decode($example),
            json_decode(json_encode($file->document($job), JSON_THROW_ON_ERROR)),
        );
        self::assertTrue($this->keepsSchema($example));
    }

    public function testTheDemoKeepsTheSchema(): void
    {
        foreach (glob(self::ROOT.'/database/demo/*.json') ?: [] as $path) {
            self::assertTrue($this->keepsSchema((string) file_get_contents($path)), $path);
        }
    }

    /**
     * @return iterable<string, array{callable(array<string, mixed>): mixed, string, bool}> damage, place, whether the
     *     schema sees it too
     */
    public static function damages(): iterable
    {
        $set = static fn (string $path, mixed $value): callable => static function (array $d) use (
            $path,
            $value,
        ): array {
            $at = &$d;
            foreach (explode('.', $path) as $key) {
                $at = &$at[$key];
            }
            $at = $value;

            return $d;
        };
        yield 'later version' => [$set('version', 5), 'version', true];
        yield 'version is text' => [$set('version', '1'), 'version', true];
        yield 'unknown field' => [$set('colour', 'red'), 'colour', true];
        yield 'unknown units' => [$set('units', 'cubit'), 'units', true];
        yield 'unknown rulebook' => [$set('rulebook', 'none'), 'rulebook', true];
        yield 'empty name' => [$set('name', '  '), 'name', true];
        yield 'runs is an object' => [$set('runs', ['a' => 1]), 'runs', true];
        yield 'unknown size' => [$set('runs.0.size', '7'), 'runs.0.size', true];
        yield 'unknown way' => [$set('runs.0.legs.1.way', 'sideways'), 'runs.0.legs.1.way', true];
        yield 'length is text' => [$set('runs.0.legs.1.length_mm', '1384'), 'runs.0.legs.1.length_mm', true];
        yield 'negative length' => [$set('runs.0.legs.1.length_mm', -5), 'runs.0.legs.1.length_mm', true];
        yield 'surplus field of a leg' => [$set('runs.0.legs.1.colour', 'red'), 'runs.0.legs.1.colour', true];
        yield 'turn too far' => [$set('runs.0.legs.1.turn_deg', 300), 'runs.0.legs.1.turn_deg', true];
        yield 'unknown fitting' => [
            $set('runs.0.legs.1.fitting', ['patterns' => ['knee']]),
            'runs.0.legs.1.fitting.patterns.0',
            true,
        ];
        yield 'unknown end' => [$set('runs.0.outlet.kind', 'funnel'), 'runs.0.outlet.kind', true];
        yield 'letter that is none' => [
            $set('runs.0.marks.pieces', ['l1.1' => 'a1']),
            'runs.0.marks.pieces.l1.1',
            true,
        ];
        yield 'fall and drop' => [$set('runs.0.legs.1.drop_mm', 5), 'runs.0.legs.1.drop_mm', true];
        yield 'standing pipe that is not there' => [
            $set('runs.0.tie_in.standing', 'nowhere'),
            'runs.0.tie_in.standing',
            false,
        ];
        yield 'method of a socket' => [
            $set('runs.0.outlet', ['what' => 'x', 'kind' => 'socket', 'method' => 'threaded']),
            'runs.0.outlet.method',
            true,
        ];
        yield 'unknown method' => [$set('runs.0.tie_in.method', 'welded'), 'runs.0.tie_in.method', true];
        yield 'size without a system' => [$set('standing.4.size', '4'), 'standing.4.size', true];
        yield 'evidence, which stands in the log' => [
            $set('standing.0.evidence', ['od_mm' => 58]),
            'standing.0.evidence',
            true,
        ];
        yield 'joint of unknown end' => [$set('single_joints.0.a.end', 'funnel'), 'single_joints.0.a.end', true];
        yield 'storeys that are no whole number' => [$set('building', ['storeys' => 2.5]), 'building.storeys', true];
        yield 'a fact that no book asks' => [$set('building', ['colour' => 'red']), 'building.colour', true];
        yield 'humidity out of range' => [$set('conditions', ['rh_percent' => 140]), 'conditions.rh_percent', true];
        yield 'field of no number' => [
            $set('overrides.catalogue', [
                ['table' => 'pvc-dwv-40', 'row' => 'eighth/2', 'field' => 'name', 'value' => 3],
            ]),
            'overrides.catalogue.0.field',
            false,
        ];
        yield 'own row outside own/' => [
            $set('overrides.rows', [['table' => 'couplings', 'group' => 'rows', 'row' => ['id' => 'no-hub/2']]]),
            'overrides.rows.0.row.id',
            true,
        ];
        yield 'own row with a hole' => [
            $set('overrides.rows', [
                ['table' => 'couplings', 'group' => 'rows', 'row' => ['id' => 'own/x', 'method' => 'no-hub-shielded']],
            ]),
            'overrides.rows.0.row.sides',
            false,
        ];
        yield 'two legs of one id' => [$set('runs.0.legs.1.id', 'l1'), 'runs.0.legs.1.id', false];
        yield 'letter used twice' => [
            $set('runs.0.marks.pieces', ['l1.1' => 'A', 'l2.1' => 'A']),
            'runs.0.marks.pieces.l2.1',
            false,
        ];
        yield 'next letter already used' => [
            $set('runs.0.marks', ['pieces' => ['l1.1' => 'C'], 'next_piece' => 1]),
            'runs.0.marks.next_piece',
            false,
        ];
        yield 'override of no row' => [
            $set('overrides.catalogue', [
                ['table' => 'pvc-dwv-40', 'row' => 'x', 'field' => 'take_off_mm', 'value' => 3],
            ]),
            'overrides.catalogue.0.row',
            false,
        ];
    }

    /** @param callable(array<string, mixed>): array<string, mixed> $damage */
    #[DataProvider('damages')]
    public function testADamagedFileIsRefusedAtThePlace(callable $damage, string $place, bool $schemaSees): void
    {
        $text = json_encode($damage(self::example()), JSON_THROW_ON_ERROR);
        self::assertSame(! $schemaSees, $this->keepsSchema($text));
        try {
            (new JobFile(Catalogue::shipped()))->parse($text);
            self::fail('was taken');
        } catch (BadInput $bad) {
            self::assertSame($place, $bad->field);
            self::assertNotSame('', $bad->getMessage());
        }
    }

    public function testForeignAndCutFilesAreToldApart(): void
    {
        $file = new JobFile(Catalogue::shipped());
        $message = static function (string $text) use ($file): string {
            try {
                $file->parse($text);
            } catch (BadInput $bad) {
                return $bad->getMessage();
            }

            return 'taken';
        };
        self::assertStringContainsString(
            'not a whole JSON file',
            $message(substr(json_encode(self::example(), JSON_THROW_ON_ERROR), 0, 100)),
        );
        self::assertStringContainsString('not a Fall Bend job file', $message('{"type":"Feature"}'));
        self::assertStringContainsString('not a Fall Bend job file', $message('[1,2]'));
        self::assertStringContainsString(
            'version 7; this Fall Bend reads up to version 4',
            $message((string) json_encode(['version' => 7] + self::example())),
        );
    }

    public function testAFileOfVersion1IsUpgradedAndKeepsEveryNumber(): void
    {
        $old = self::example();
        $old = ['version' => 1] + array_diff_key($old, ['standing' => 1, 'single_joints' => 1]);
        $old['runs'] = array_map(
            static fn (array $run): array => ['tie_in' => ['what' => 'stub', 'kind' => 'socket']] +
                array_diff_key($run, ['place' => 1]),
            $old['runs'],
        );
        $old['overrides'] = [
            'catalogue' => [
                [
                    'system' => 'pvc-dwv-40',
                    'row' => 'street-eighth/2',
                    'take_off_mm' => 40,
                    'spigot_mm' => 60,
                    'source' => 'mine',
                ],
                ['system' => 'pvc-dwv-40', 'row' => 'coupling/2', 'take_off_mm' => 4],
            ],
            'rulebook' => [],
        ];
        $file = new JobFile(Catalogue::shipped());
        $document = $file->document($file->read($old));
        self::assertSame(4, $document['version']);
        self::assertSame(
            [
                ['street-eighth/2', 'take_off_mm', 40.0, 'mine'],
                ['street-eighth/2', 'spigot_mm', 60.0, 'mine'],
                ['coupling/2', 'stop_mm', 4.0, 'measured on the fitting in hand'],
            ],
            array_map(
                static fn (array $o): array => [$o['row'], $o['field'], $o['value'], $o['source']],
                $document['overrides']['catalogue'],
            ),
        );
        self::assertSame(count($old['runs']), count($document['runs']));
        self::assertTrue($this->keepsSchema((string) json_encode($document)));
    }

    public function testWhatWasMeasuredForMakingUpIsKeptAsItWasSaid(): void
    {
        $file = new JobFile(Catalogue::shipped());
        $document = self::withMoves([
            [
                'id' => 'm1',
                'kind' => 'ends',
                'run' => 'clay-wash',
                'name' => 'past the joist',
                'values' => ['from_leg' => 'l1', 'along_mm' => -12.5, 'plumb' => true],
                'obstacles' => [
                    [
                        'what' => 'joist',
                        'along_from_mm' => 1,
                        'along_to_mm' => 2,
                        'over_from_mm' => -3,
                        'over_to_mm' => 3,
                        'up_from_mm' => -4,
                        'up_to_mm' => 4,
                    ],
                ],
            ],
            [
                'id' => 'm2',
                'kind' => 'cut-in',
                'run' => 'mop',
                'name' => 'wye',
                'values' => ['standing' => 'yard-drain', 'centre_mm' => 700, 'branch' => '4'],
            ],
            [
                'id' => 'm3',
                'kind' => 'trap-fit',
                'run' => 'mop',
                'name' => 'trap',
                'values' => ['where' => 'floor', 'vented' => true, 'tall_mm' => 120],
            ],
        ]);
        $read = json_decode((string) json_encode($file->document($file->read($document))), true);
        self::assertSame(json_encode($document['moves']), json_encode($read['moves']));
        self::assertTrue($this->keepsSchema((string) json_encode($read)));
    }

    public function testAMoveThatIsWrongIsRefusedAtItsPlace(): void
    {
        $move = ['id' => 'm1', 'kind' => 'cut-in', 'run' => 'mop', 'name' => 'wye', 'values' => ['centre_mm' => 700]];
        foreach (
            [
                'moves.0.kind' => ['kind' => 'hat'],
                'moves.0.run' => ['run' => 'nowhere'],
                'moves.0.name' => ['name' => ' '],
                'moves.0.values.centre_mm' => ['values' => ['centre_mm' => -1]],
                'moves.0.values.along_mm' => ['values' => ['along_mm' => 3]],
                'moves.0.obstacles' => ['obstacles' => []],
            ] as $place => $with
        ) {
            try {
                (new JobFile(Catalogue::shipped()))->read(self::withMoves([[...$move, ...$with]]));
                self::fail("{$place} was taken");
            } catch (BadInput $bad) {
                self::assertSame($place, $bad->field);
            }
        }
        $this->expectExceptionMessage('stands twice');
        (new JobFile(Catalogue::shipped()))->read(self::withMoves([$move, $move]));
    }

    /**
     * @param list<array<string, mixed>> $moves
     * @return array<string, mixed>
     */
    private static function withMoves(array $moves): array
    {
        return ['moves' => $moves] +
            json_decode(
                (string) file_get_contents(self::ROOT.'/database/demo/mill-row-pottery.json'),
                true,
                64,
                JSON_THROW_ON_ERROR,
            );
    }

    /** @return iterable<string, array{array<string, mixed>, string}> what is added, the place that is wrong */
    public static function decidedWrong(): iterable
    {
        $cut = ['run' => 'mop', 'piece' => 'l1.1', 'length_mm' => 300];
        $stick = ['system' => 'pvc-dwv-40', 'size' => '2', 'length_mm' => 3048];
        yield 'what is cut, which stands in the log' => [['cutting' => ['cut' => [$cut]]], 'cutting.cut'];
        yield 'cut to nothing in version 3' => [
            ['version' => 3, 'cutting' => ['cut' => [['length_mm' => 0] + $cut]]],
            'cutting.cut.0.length_mm',
        ];
        yield 'a saw as wide as a hand' => [['cutting' => ['kerf_mm' => 80]], 'cutting.kerf_mm'];
        yield 'half a stick' => [
            ['cutting' => ['stock' => [['available' => 0.5] + $stick]]],
            'cutting.stock.0.available',
        ];
        yield 'another objective' => [['cutting' => ['objective' => 'beauty']], 'cutting.objective'];
        yield 'a field that is not known' => [
            ['cutting' => ['stock' => [$stick + ['colour' => 'white']]]],
            'cutting.stock.0.colour',
        ];
        yield 'an id of digits alone' => [['standing' => [['id' => '12']]], 'standing.0.id'];
        yield 'hung of no run' => [['hanging' => [['run' => 'nowhere']]], 'hanging.0.run'];
        yield 'hung twice' => [['hanging' => [['run' => 'mop'], ['run' => 'mop']]], 'hanging.1.run'];
        yield 'a hanger before the leg' => [
            ['hanging' => [['run' => 'mop', 'own' => [['leg' => 'l1', 'at_mm' => -1]]]]],
            'hanging.0.own.0.at_mm',
        ];
        yield 'joists as close as laths' => [
            ['hanging' => [['run' => 'mop', 'framing' => ['kind' => 'joist', 'every_mm' => 10]]]],
            'hanging.0.framing.every_mm',
        ];
        yield 'warmer than steam' => [['hanging' => [['run' => 'mop', 'swing_c' => 120]]], 'hanging.0.swing_c'];
    }

    /** @param array<string, mixed> $added */
    #[DataProvider('decidedWrong')]
    public function testWhatWasDecidedWrongIsRefusedAtItsPlace(array $added, string $place): void
    {
        try {
            (new JobFile(Catalogue::shipped()))->read($added + self::withMoves([]));
            self::fail("{$place} was taken");
        } catch (BadInput $bad) {
            self::assertSame($place, $bad->field);
        }
    }

    public function testWhatThereIsToCutFromIsKept(): void
    {
        $file = new JobFile(Catalogue::shipped());
        $cutting = [
            'kerf_mm' => 2.5,
            'objective' => 'price',
            'stock' => [
                ['system' => 'pvc-dwv-40', 'size' => '2', 'length_mm' => 3048.0, 'price' => 9.5],
                ['system' => 'pvc-dwv-40', 'size' => '2', 'length_mm' => 700.0, 'available' => 1],
            ],
        ];
        $read = json_decode(
            (string) json_encode($file->document($file->read(['cutting' => $cutting] + self::withMoves([])))),
            true,
        );
        self::assertEquals($cutting, $read['cutting']);
        self::assertTrue($this->keepsSchema((string) json_encode($read)));
        self::assertArrayNotHasKey('cutting', $file->document($file->read(self::withMoves([]))));
    }

    public function testLettersGoOnAfterZ(): void
    {
        self::assertSame(
            ['A', 'Z', 'AA', 'AZ', 'BA', 'ZZ', 'AAA'],
            array_map(Marks::letter(...), [0, 25, 26, 51, 52, 701, 702]),
        );
        for ($i = 0; $i < 2000; $i++) {
            self::assertSame($i, Marks::index(Marks::letter($i)));
        }
        self::assertSame(-1, Marks::index('a'));
    }

    /** @return array<string, mixed> */
    private static function example(): array
    {
        /** @var array<string, mixed> $document */
        $document = json_decode(
            (string) file_get_contents(self::ROOT.'/database/demo/mill-row-pottery.json'),
            true,
            64,
            JSON_THROW_ON_ERROR,
        );
        $document['runs'][0]['legs'][1]['fall_mm_per_m'] = 20;

        return $document;
    }

    private function keepsSchema(string $text): bool
    {
        return (new Validator)
            ->validate(json_decode($text), (string) file_get_contents(self::ROOT.'/core/data/schemas/job.json'))
            ->isValid();
    }
}
