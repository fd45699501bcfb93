<?php

declare(strict_types=1);

namespace FallBend\Core\Tests\Evaluation;

use FallBend\Core\Tests\Network\CaseJob;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;

/** What the interface is told of a network: the numbers are worked out by hand beside them. */
final class NetworkReportTest extends TestCase
{
    private const HOUSE = [
        'stack' => ['roof', 'down 160 / north 96 fall 1/4', 'socket', ['size' => '3', 'use' => 'drain']],
        'lav' => ['lavatory', 'east 40 fall 1/4', 'stack 1 2000', ['size' => '1-1/2']],
        'lav-vent' => ['vent off lav 1 500', 'up 50', 'roof', ['size' => '1-1/2']],
        'tub' => ['bath', 'west 120 fall 1/4', 'stack 1 2500', ['size' => '1-1/2']],
    ];

    public function testEveryRunHasItsPlaceInOneFrame(): void
    {
        $places = array_column(self::network()['places'], null, 'run');
        self::assertSame(['x' => 0.0, 'y' => 0.0, 'z' => 0.0], $places['stack']['at']);
        // The arm leads 40 in east down to (0, 0, −2000): its outlet stands that far west of it, and higher by its
        // fall.
        self::assertEqualsWithDelta(-1016 * cos(atan(1 / 48)), $places['lav']['at']['x'], 0.01);
        self::assertEqualsWithDelta(-2000 + 1016 * sin(atan(1 / 48)), $places['lav']['at']['z'], 0.01);
        self::assertSame(
            ['stack', 'stack', 'lav', 'stack'],
            [$places['lav']['into'], $places['tub']['into'], $places['lav-vent']['into'], $places['lav']['frame']],
        );
        self::assertSame(
            [false, true, 'lavatory'],
            [$places['lav']['rises'], $places['lav-vent']['rises'], $places['lav']['fixture']],
        );
    }

    public function testATrapSaysItsArmItsLimitAndWhereItsAirComesFrom(): void
    {
        $fixtures = array_column(self::network()['fixtures'], null, 'run');
        self::assertSame(
            ['1 fixture unit', 'the lavatory of lav', 'dry', 'the lav-vent'],
            [
                $fixtures['lav']['load_said'],
                $fixtures['lav']['name'],
                $fixtures['lav']['arm']['vent'],
                $fixtures['lav']['arm']['vent_by'],
            ],
        );
        self::assertEqualsWithDelta(500.0, $fixtures['lav']['arm']['length']['mm'], 0.1);
        self::assertEqualsWithDelta(1828.8, $fixtures['lav']['arm']['most']['mm'], 0.1);
        self::assertFalse($fixtures['lav']['arm']['over']);
        self::assertTrue($fixtures['tub']['arm']['over'], '120 in, and 72 in at most');
        self::assertSame(50.8, $fixtures['lav']['arm']['seal_mm'], 'nobody measured it: the least of the book');
        self::assertSame(
            ['discharge-flow.lavatory', 'discharge-volume.lavatory'],
            [$fixtures['lav']['discharge']['source']['row'], $fixtures['lav']['discharge']['volume_source']['row']],
        );
        self::assertSame('IPC table 909.1', $fixtures['lav']['arm']['source']['source']);
    }

    public function testAPipeSaysWhatItCarriesWhatItTakesAndHowItRuns(): void
    {
        $pipes = array_values(
            array_filter(self::network()['pipes'], static fn (array $pipe): bool => $pipe['run'] === 'stack'),
        );
        $last = $pipes[count($pipes) - 1];
        self::assertSame(['drain', '3 fixture units', 2], [$last['role'], $last['load_said'], $last['fixtures']]);
        self::assertFalse($last['short']);
        self::assertNotNull($last['flow']);
        self::assertTrue($last['flow']['fill'] > 0 && $last['flow']['fill'] < 0.5);
        self::assertGreaterThan($last['flow']['l_per_s'], $last['flow']['full_l_per_s']);
        self::assertSame('dry-vent', $pipes[0]['role']);
        self::assertNull($pipes[0]['flow']);
    }

    /** Load alone would let a closet into 1-1/2 in: what is proposed also takes its trap, and what flows in. */
    public function testNoSizeIsProposedThatAClosetOrAPipeAboveDoesNotGoInto(): void
    {
        $runs = [
            'stack' => ['roof', 'down 160 / north 96 fall 1/4', 'socket', ['size' => '4', 'use' => 'drain']],
            'wc' => ['water-closet', 'east 30 fall 1/4', 'stack 1 2000', ['size' => '4']],
            'lav' => ['lavatory', 'west 40 fall 1/4', 'stack 1 2600', ['size' => '2']],
        ];
        foreach (['ipc-2021' => '3', 'upc-2021' => '3'] as $book => $least) {
            $network = CaseJob::evaluation(CaseJob::of($book, $runs))['network'];
            $proposed = [];
            foreach ($network['pipes'] as $pipe) {
                $proposed[$pipe['run']][] = $pipe['proposed'];
            }
            self::assertSame($least, $proposed['wc'][0], $book);
            self::assertContains($proposed['lav'][0], ['1-1/4', '1-1/2'], $book);
            self::assertSame(
                '4',
                $proposed['stack'][count($proposed['stack']) - 1],
                'no smaller than the 4 in that flows into it',
            );
        }
    }

    public function testTheDrillingPlanFollowsTheFallFromJoistToJoist(): void
    {
        $joists = [
            'kind' => 'joist',
            'what' => 'joists',
            'run' => 'tub',
            'leg' => 'l1',
            'at_mm' => 400.0,
            'every_mm' => 406.4,
            'count' => 5,
            'depth_mm' => 235.0,
            'top_mm' => 100.0,
        ];
        $crossings = self::network([$joists])['crossings'];
        self::assertCount(5, $crossings);
        self::assertSame('joists, no. 3', $crossings[2]['name']);
        foreach ($crossings as $i => $crossing) {
            self::assertEqualsWithDelta(100 + $i * 406.4 * sin(atan(1 / 48)), $crossing['from_top']['mm'], 0.01);
            self::assertEqualsWithDelta(
                48.26 + 6.35,
                $crossing['hole']['mm'],
                0.05,
                'outside of 1-1/2 in and a quarter inch',
            );
            self::assertEqualsWithDelta(400 + $i * 406.4, $crossing['along']['mm'], 0.01);
        }
    }

    /**
     * @return iterable<string, array{string, ?float, ?float}> legs, along the tape, from the top; null where it goes
     *     clear
     */
    public static function pastAJoist(): iterable
    {
        // The joist stands 1200 ahead of where the first leg begins, 235 deep, its top 100 over the line of that leg.
        yield 'the leg goes through it' => ['east 1500 mm fall 0', 1200.0, 100.0];
        yield 'a later leg goes under it' => ['east 900 mm fall 0 / down 300 mm / east 900 mm fall 0', null, null];
        yield 'and over it' => ['east 900 mm fall 0 / up 300 mm / east 900 mm fall 0', null, null];
        yield 'a later leg goes through lower down' => [
            'east 900 mm fall 0 / down 60 mm / east 900 mm fall 0',
            1260.0,
            160.0,
        ];
        yield 'it grazes the lower edge' => ['east 900 mm fall 0 / down 150 mm / east 900 mm fall 0', 1350.0, 250.0];
    }

    #[DataProvider('pastAJoist')]
    public function testAJoistStandsWhereItStandsWhateverTheLegsBecome(
        string $legs,
        ?float $along,
        ?float $fromTop,
    ): void {
        $joist = [
            'kind' => 'joist',
            'run' => 'tub',
            'leg' => 'l1',
            'at_mm' => 1200.0,
            'depth_mm' => 235.0,
            'top_mm' => 100.0,
        ];
        $house = ['tub' => ['bath', $legs, 'stack 1 1500', ['size' => '1-1/2']]] + self::HOUSE;
        $crossings = CaseJob::evaluation(CaseJob::of('ipc-2021', $house, [$joist]))['network']['crossings'];
        self::assertCount($along === null ? 0 : 1, $crossings);
        if ($along !== null) {
            self::assertEqualsWithDelta($along, $crossings[0]['along']['mm'], 0.01);
            self::assertEqualsWithDelta($fromTop, $crossings[0]['from_top']['mm'], 0.01);
        }
    }

    public function testUnderLitresASecondTheLoadIsSaidSo(): void
    {
        $network = CaseJob::evaluation(
            CaseJob::of('adh-2015', [
                'stack' => [
                    'roof',
                    'down 4000 / north 2000 fall 20 mm/m',
                    'socket',
                    ['size' => '110', 'system' => 'pvcu-soil', 'use' => 'drain'],
                ],
                'fx' => ['bath', 'east 900 fall 20 mm/m', 'stack 1 1500', ['size' => '40']],
            ]),
        )['network'];
        self::assertTrue($network['counts_flow']);
        self::assertStringEndsWith('l/s of discharge units', $network['fixtures'][0]['load_said']);
    }

    /**
     * @param list<array<string, mixed>> $obstacles
     * @return array<string, mixed>
     */
    private static function network(array $obstacles = []): array
    {
        return CaseJob::evaluation(CaseJob::of('ipc-2021', self::HOUSE, $obstacles))['network'];
    }
}
