<?php

declare(strict_types=1);

namespace FallBend\Core\Tests\Buying;

use FallBend\Core\Buying\Materials;
use FallBend\Core\Catalog\Catalogue;
use FallBend\Core\Job\Job;
use FallBend\Core\Job\JobFile;
use FallBend\Core\Layout\JobCompiler;
use FallBend\Core\Tests\Network\CaseJob;
use PHPUnit\Framework\TestCase;

final class MaterialsTest extends TestCase
{
    public function testEveryFittingPieceAndSocketIsCountedOnce(): void
    {
        $job = CaseJob::of('ipc-2021', [
            'main' => [
                'socket',
                'north 60 fall 1/4 / right 50 fall 1/4 / left 45° 40 fall 1/4',
                'socket',
                ['size' => '2'],
            ],
        ]);
        $rows = self::rows($job);
        self::assertSame(['45' => 1, 'long-sweep 90' => 1], self::of($rows, 'fitting'));
        self::assertSame(1, array_sum(self::of($rows, 'pipe')), 'all of it comes from one stick');
        $cement = array_values(
            array_filter($rows, static fn (array $row): bool => str_contains($row['what'], 'cement')),
        )[0];
        self::assertSame([1, '6 sockets'], [$cement['count'], $cement['note']], 'two at each bend, one at either end');
        self::assertArrayHasKey('fine-toothed saw and mitre box', self::of($rows, 'tool'));
        self::assertArrayNotHasKey('torque wrench for bands', self::of($rows, 'tool'));
        self::assertGreaterThan(3, array_sum(self::of($rows, 'hanger')));
    }

    public function testWhatIsTakenAlongGoesByWhatTheJobIs(): void
    {
        $dry = self::of(self::rows(CaseJob::of('ipc-2021', [])), 'along');
        self::assertArrayHasKey('safety goggles', $dry);
        self::assertArrayNotHasKey('fan, or a way to air the room, for the vapour of cement', $dry);
        self::assertArrayNotHasKey('bucket and wet vacuum, for what still stands in the old pipe', $dry);
        $job = CaseJob::of('ipc-2021', [
            'main' => [
                'socket',
                'north 60 fall 1/4',
                'socket',
                ['size' => '2', 'place' => ['ground' => 'buried', 'access' => 'concealed']],
            ],
        ]);
        $wet = self::of(self::rows($job), 'along');
        foreach (['fan, or a way to air the room', 'spade, shoring', 'test plugs'] as $what) {
            self::assertNotEmpty(
                array_filter(array_keys($wet), static fn (string $one): bool => str_starts_with($one, $what)),
                $what,
            );
        }
        self::assertArrayNotHasKey('string line and plumb bob', $wet, 'what is buried is not hung');
    }

    public function testTenTimesTheJointsTakeMoreCans(): void
    {
        $legs = implode(
            ' / ',
            array_map(static fn (int $i): string => ($i % 2 === 0 ? 'right' : 'left').' 30 fall 1/4', range(1, 90)),
        );
        $cans = array_sum(
            self::of(
                array_filter(
                    self::rows(
                        CaseJob::of('ipc-2021', [
                            'main' => ['socket', 'north 60 fall 1/4 / '.$legs, 'socket', ['size' => '3']],
                        ]),
                    ),
                    static fn (array $row): bool => str_contains($row['what'], 'cement'),
                ),
                'consumable',
            ),
        );
        self::assertGreaterThan(3, $cans);
    }

    public function testIronWantsBandsAndTheirWrenchAndNoCement(): void
    {
        $rows = self::rows(
            CaseJob::of('ipc-2021', [
                'main' => [
                    'socket',
                    'north 60 fall 1/4 / right 45° 50 fall 1/4',
                    'socket',
                    ['size' => '3', 'system' => 'ci-no-hub'],
                ],
            ]),
        );
        self::assertArrayHasKey('torque wrench for bands', self::of($rows, 'tool'));
        self::assertSame(
            [],
            array_filter(
                array_keys(self::of($rows, 'consumable')),
                static fn (string $what): bool => str_contains($what, 'cement'),
            ),
        );
    }

    public function testEveryJointOfHublessIronTakesABandAndEveryHangerItsScrews(): void
    {
        $iron = self::rows(
            CaseJob::of('ipc-2021', [
                'main' => [
                    'socket',
                    'north 60 fall 1/4 / right 45° 50 fall 1/4',
                    'socket',
                    ['size' => '3', 'system' => 'ci-no-hub'],
                ],
            ]),
        );
        self::assertSame(4, array_sum(self::of($iron, 'coupling')), 'one at either end, two at the bend');
        $hangers = self::of($iron, 'hanger');
        self::assertSame(2 * (array_sum($hangers) - $hangers['screws for hangers']), $hangers['screws for hangers']);
        $with = ['size' => '4', 'system' => 'ci-no-hub'];
        $two = self::rows(
            CaseJob::of('upc-2021', [
                'upper' => ['socket', 'north 60 fall 1/4', 'on lower', $with],
                'lower' => ['run', 'east 60 fall 1/4', 'socket', $with],
            ]),
        );
        self::assertSame(
            ['no-hub band' => 3],
            self::of($two, 'coupling'),
            'where one run goes on into the other there is one joint',
        );
        $plastic = self::rows(
            CaseJob::of('ipc-2021', [
                'main' => ['socket', 'north 60 fall 1/4 / right 45° 50 fall 1/4', 'socket', ['size' => '3']],
            ]),
        );
        self::assertSame([], self::of($plastic, 'coupling'), 'cement needs none');
    }

    public function testAStackTakesClampsGuidesAndWhatLetsALongLineGrow(): void
    {
        $hangers = static fn (string $legs, array $hanging): array => self::of(
            self::rows(self::decided($legs, $hanging)),
            'hanger',
        );
        $stack = $hangers('down 240 / north 40 fall 1/4', ['storey_mm' => 2700, 'floor_mm' => 400]);
        self::assertSame(3, $stack['riser clamp']);
        self::assertGreaterThan(0, $stack['guide, loose round the pipe']);
        $studs = $hangers('north 160 fall 1/4', [
            'framing' => ['kind' => 'stud', 'every_mm' => 406.4, 'first_mm' => 0],
        ]);
        self::assertEqualsCanonicalizing(
            ['bracket', 'screws for hangers'],
            array_keys($studs),
            'what runs along studs is not hung',
        );
        $long = self::rows(self::decided('north 900 fall 1/4', []));
        self::assertSame(2, self::of($long, 'coupling')['expansion joint']);
    }

    public function testAPriceThatIsKeptIsReckonedWithTheCount(): void
    {
        $job = self::decided('north 60 fall 1/4 / right 50 fall 1/4 / right 40 fall 1/4', []);
        $row = array_values(
            array_filter(self::rows($job), static fn (array $row): bool => $row['shelf'] === 'fitting'),
        )[0];
        self::assertNull($row['price']);
        $priced = self::rows(
            self::decided(
                'north 60 fall 1/4 / right 50 fall 1/4 / right 40 fall 1/4',
                [],
                [['what' => $row['what'], 'size' => $row['size'], 'pipe' => $row['letters'], 'each' => 2.5]],
            ),
        );
        $again = array_values(array_filter($priced, static fn (array $row): bool => $row['price'] !== null));
        self::assertSame(
            [[$row['what'], 2.5, 2.5 * $row['count']]],
            array_map(static fn (array $row): array => [$row['what'], $row['each'], $row['price']], $again),
        );
    }

    /**
     * @param array<string, mixed> $hanging
     * @param list<array<string, mixed>> $prices
     */
    private static function decided(string $legs, array $hanging, array $prices = []): Job
    {
        $file = new JobFile(Catalogue::shipped());
        $document = json_decode(
            (string) json_encode(
                $file->document(CaseJob::of('upc-2021', ['main' => ['socket', $legs, 'socket', ['size' => '2']]])),
            ),
            true,
        );
        $job = $file->read(
            ['hanging' => $hanging === [] ? [] : [['run' => 'main'] + $hanging], 'prices' => $prices] + $document,
        );
        self::assertEquals($prices, json_decode((string) json_encode($file->document($job)), true)['prices'] ?? []);

        return $job;
    }

    public function testAThreadIsNotBoughtAndACaulkedJointSaysItsLead(): void
    {
        $file = new JobFile(Catalogue::shipped());
        $document = (array) json_decode(
            (string) file_get_contents(dirname(__DIR__, 3).'/database/demo/mill-row-pottery.json'),
            true,
        );
        $rows = array_column(self::rows($file->read($document)), null, 'what');
        self::assertArrayHasKey('male adapter', $rows);
        self::assertArrayNotHasKey('taper pipe thread', $rows);
        self::assertSame('4 lb of lead to each', $rows['oakum and lead']['note']);
    }

    public function testTwinsAreToldApart(): void
    {
        $both = self::rows(
            CaseJob::of('ipc-2021', [
                'thick' => ['socket', 'north 60 fall 1/4', 'socket', ['size' => '4']],
                'thin' => ['socket', 'north 60 fall 1/4', 'socket', ['size' => '4', 'system' => 'pvc-sewer-sdr35']],
            ]),
        );
        $notes = array_column(array_filter($both, static fn (array $row): bool => $row['shelf'] === 'pipe'), 'note');
        self::assertCount(
            2,
            array_filter($notes, static fn (string $note): bool => str_starts_with($note, 'not the 4 of')),
        );
        $one = self::rows(
            CaseJob::of('ipc-2021', ['thick' => ['socket', 'north 60 fall 1/4', 'socket', ['size' => '4']]]),
        );
        self::assertSame(
            [''],
            array_column(array_filter($one, static fn (array $row): bool => $row['shelf'] === 'pipe'), 'note'),
        );
    }

    public function testPricesAreAddedWhereTheCrewKeepsThem(): void
    {
        $file = new JobFile(Catalogue::shipped());
        $document = json_decode(
            (string) json_encode(
                $file->document(
                    CaseJob::of('ipc-2021', [
                        'main' => ['socket', 'north 150 fall 1/4 / right 150 fall 1/4', 'socket', ['size' => '2']],
                    ]),
                ),
            ),
            true,
        );
        $document['cutting'] = [
            'stock' => [['system' => 'pvc-dwv-40', 'size' => '2', 'length_mm' => 3048, 'price' => 11.5]],
        ];
        $pipe = array_values(
            array_filter(self::rows($file->read($document)), static fn (array $row): bool => $row['shelf'] === 'pipe'),
        )[0];
        self::assertGreaterThan(1, $pipe['count']);
        self::assertEqualsWithDelta(11.5 * $pipe['count'], $pipe['price'], 1e-9);
    }

    /** @return list<array<string, mixed>> */
    private static function rows(Job $job): array
    {
        $catalogue = $job->catalogue(Catalogue::shipped());
        $book = $job->book(Catalogue::shipped());

        return (new Materials((new JobCompiler($catalogue, $book, $job))->compile(), $job, $catalogue, $book))->rows();
    }

    /**
     * @param array<array-key, array<string, mixed>> $rows
     * @return array<string, int> counts by name
     */
    private static function of(array $rows, string $shelf): array
    {
        return array_column(
            array_filter($rows, static fn (array $row): bool => $row['shelf'] === $shelf),
            'count',
            'what',
        );
    }
}
