<?php

declare(strict_types=1);

namespace FallBend\Core\Tests\Network;

use FallBend\Core\Catalog\Catalogue;
use FallBend\Core\Job\JobFile;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;

/**
 * Small whole jobs with the findings that they must have, checked by hand against the books; each mistake has a twin in
 * which it is mended, and which has none.
 * All stops, warnings and open questions are compared, not only the one that the case is about.
 */
final class WholeJobsTest extends TestCase
{
    private const STACK = ['roof', 'down 120 / north 96 fall 1/4', 'socket', ['size' => '3', 'use' => 'drain']];

    private const UK_STACK = [
        'roof',
        'down 4000 / north 2000 fall 25 mm/m',
        'socket',
        ['size' => '110', 'system' => 'pvcu-soil', 'use' => 'drain'],
    ];

    /**
     * @return iterable<string, array{list<string>, string, array<string, mixed>, 3?: list<array<string, mixed>>}>
     *     expected, rulebook, runs, obstacles
     */
    public static function jobs(): iterable
    {
        yield from self::fittings();
        yield from self::traps();
        yield from self::vents();
        yield from self::bathrooms();
        yield from self::british();
        yield from self::timber();
    }

    /**
     * @param list<string> $expected
     * @param array<string, mixed> $runs
     * @param list<array<string, mixed>> $obstacles
     */
    #[DataProvider('jobs')]
    public function testFindsWhatIsWrongAndNothingElse(
        array $expected,
        string $book,
        array $runs,
        array $obstacles = [],
    ): void {
        $job = CaseJob::measured(CaseJob::of($book, $runs, $obstacles));
        sort($expected);
        self::assertSame($expected, CaseJob::findings($job, true));
        $file = new JobFile(Catalogue::shipped());
        self::assertEquals(
            $file->document($job),
            $file->document($file->parse(json_encode($file->document($job), JSON_THROW_ON_ERROR))),
            'and its file says the same when it is read again',
        );
    }

    /** @return iterable<string, array{list<string>, string, array<string, mixed>, 3?: list<array<string, mixed>>}> */
    private static function fittings(): iterable
    {
        $into = static fn (string $way, string $pattern = ''): array => [
            'main' => ['lavatory', 'north 160 fall 1/4', 'socket', ['use' => 'drain', 'size' => '2']],
            'v' => ['vent off main 1 700', 'up 90', 'roof'],
            'b' => ['lavatory', "{$way} 40 fall 1/4", "main 1 2500 {$pattern}", ['size' => '1-1/2']],
            'w' => ['vent off b 1 500', 'up 90', 'roof', ['size' => '1-1/2']],
        ];
        yield 'a wye against the flow' => [['branch.againstFlow@main'], 'ipc-2021', $into('left 135°')];
        yield 'with the flow' => [[], 'ipc-2021', $into('left 45°')];
        yield 'a san tee on its back' => [['branch.teeOnBack@main'], 'ipc-2021', $into('left', 'san-tee')];
        yield 'a combo instead' => [[], 'ipc-2021', $into('left', 'combo')];
        yield 'a vent tee that carries waste' => [['branch.dryFitting@main'], 'ipc-2021', $into('left', 'vent-tee')];
        yield 'an angle that no branch makes' => [['branch.noAngle@main'], 'ipc-2021', $into('left 60°')];
        $foot = static fn (string $with): array => [
            'stack' => ['roof', "down 120 / north 96 fall 1/4 {$with}", 'socket', ['size' => '4', 'use' => 'drain']],
            'wc' => ['water-closet', 'north 30 fall 1/4', 'stack 1 1500', ['size' => '3']],
        ];
        yield 'a short turn at the foot of a stack' => [['turn.pattern@stack'], 'ipc-2021', $foot('with short 90')];
        yield 'a long sweep at the foot' => [[], 'ipc-2021', $foot('with long sweep')];
        $reduces = static fn (string $size): array => [
            'stack' => self::STACK,
            'fx' => ['shower', "north 30 fall 1/4 / left 20 fall 1/4 size {$size}", 'stack 1 1500', ['size' => '2']],
        ];
        yield 'reduced on the way' => [['size.reduced@fx'], 'ipc-2021', $reduces('1-1/2')];
        yield 'one size all the way' => [[], 'ipc-2021', $reduces('2')];
        $larger = static fn (string $size): array => [
            'stack' => ['roof', 'down 120 / north 96 fall 1/4', 'socket', ['size' => $size, 'use' => 'drain']],
            'wc' => ['water-closet', 'north 30 fall 1/4', 'stack 1 1500', ['size' => '3']],
        ];
        yield 'a closet into a pipe of 2' => [['branch.larger@stack', 'closet.size@stack'], 'ipc-2021', $larger('2')];
        yield 'a closet into a pipe of 3' => [[], 'ipc-2021', $larger('3')];
        $back = static fn (string $fall): array => [
            'stack' => self::STACK,
            'fx' => ['lavatory', "north 30 {$fall}", 'stack 1 1500', ['size' => '1-1/2']],
        ];
        yield 'the outlet lower than where it goes' => [
            ['branch.againstFlow@stack', 'fall.back@fx'],
            'ipc-2021',
            $back('rise 1'),
        ];
        yield 'falling to where it goes' => [[], 'ipc-2021', $back('fall 1/4')];
    }

    /** @return iterable<string, array{list<string>, string, array<string, mixed>, 3?: list<array<string, mixed>>}> */
    private static function traps(): iterable
    {
        $fx = static fn (string $fixture, string $legs = 'north 30 fall 1/4', string $size = '1-1/2'): array => [
            'stack' => self::STACK,
            'fx' => [$fixture, $legs, 'stack 1 1500', ['size' => $size]],
        ];
        yield 'an S trap' => [
            ['arm.sShape@fx', 'turn.pattern@fx'],
            'ipc-2021',
            [
                'stack' => self::STACK,
                'fx' => [
                    'lavatory',
                    'north 6 fall 1/4 / down 14 / north 12 fall 1/4 with short 90',
                    'stack 1 1500',
                    ['size' => '1-1/2', 'use' => 'drain'],
                ],
            ],
        ];
        yield 'an arm instead' => [[], 'ipc-2021', $fx('lavatory')];
        yield 'a trap of the S kind' => [['trap.kind@fx'], 'upc-2021', $fx('lavatory trap=s')];
        yield 'a trap under a closet' => [
            ['trap.doubled@fx'],
            'ipc-2021',
            $fx('water-closet trap=p', 'north 30 fall 1/4', '3'),
        ];
        yield 'a closet by itself' => [[], 'ipc-2021', $fx('water-closet', 'north 30 fall 1/4', '3')];
        yield 'two traps in series' => [
            ['trap.doubled@fx'],
            'ipc-2021',
            $fx('lavatory'),
            [['kind' => 'trap', 'what' => 'old trap in the wall', 'run' => 'fx', 'leg' => 'l1', 'at_mm' => 400]],
        ];
        yield 'an arm too long' => [['arm.long@fx'], 'upc-2021', $fx('lavatory', 'north 50 fall 1/4')];
        yield 'the same arm under the other book' => [[], 'ipc-2021', $fx('lavatory', 'north 50 fall 1/4')];
        yield 'an arm that falls more than its diameter' => [
            ['arm.fall@fx'],
            'ipc-2021',
            $fx('lavatory', 'north 60 drop 1 5/8'),
        ];
        yield 'an arm that falls less' => [[], 'ipc-2021', $fx('lavatory', 'north 60 drop 1 1/4')];
        yield 'a shower on a small trap' => [['trap.size@fx'], 'upc-2021', $fx('shower')];
        yield 'a shower on a trap of 2' => [[], 'upc-2021', $fx('shower', 'north 30 fall 1/4', '2')];
        yield 'a standpipe that overflows' => [
            ['standpipe.height@fx'],
            'ipc-2021',
            $fx('clothes-washer standpipe=300', 'north 30 fall 1/4', '2'),
        ];
        yield 'a standpipe of the right height' => [
            [],
            'ipc-2021',
            $fx('clothes-washer standpipe=900', 'north 30 fall 1/4', '2'),
        ];
    }

    /** @return iterable<string, array{list<string>, string, array<string, mixed>, 3?: list<array<string, mixed>>}> */
    private static function vents(): iterable
    {
        yield 'a trap without a vent' => [
            ['vent.missing@fx'],
            'ipc-2021',
            ['fx' => ['kitchen-sink', 'north 80 fall 1/4', 'socket', ['size' => '1-1/2']]],
        ];
        yield 'a drain that leads on into what is not described' => [
            ['vent.belowNotKnown@fx'],
            'ipc-2021',
            ['fx' => ['kitchen-sink', 'north 60 fall 1/4', 'socket', ['size' => '1-1/2']]],
        ];
        yield 'with a vent behind it' => [
            [],
            'ipc-2021',
            [
                'fx' => ['kitchen-sink', 'north 60 fall 1/4', 'socket', ['size' => '1-1/2']],
                'v' => ['vent off fx 1 800', 'up 90', 'roof', ['size' => '1-1/2']],
            ],
        ];
        $line = [
            'low' => [
                'kitchen-sink rim=900',
                'north 40 fall 1/4 / down 30 / north 80 fall 1/4',
                'socket',
                ['use' => 'drain'],
            ],
            'v' => ['vent off low 2 turn', 'up 110', 'roof'],
        ];
        yield 'a branch into what was a vent' => [
            ['arm.fall@x', 'arm.long@x', 'vent.byStack@low', 'vent.madeWet@v'],
            'ipc-2021',
            $line + [
                'x' => ['kitchen-sink', 'east 80 fall 1/4', 'v 1 1500', ['size' => '1-1/2']],
                'y' => ['kitchen-sink', 'west 40 fall 1/4', 'v 1 1200', ['size' => '1-1/2']],
            ],
        ];
        yield 'that branch into the drain below, with a vent of its own' => [
            [],
            'ipc-2021',
            $line + [
                'x' => ['kitchen-sink', 'east 40 fall 1/4', 'low 3 1200', ['size' => '1-1/2']],
                'xv' => ['vent off x 1 600', 'up 110', 'roof', ['size' => '1-1/2']],
            ],
        ];
        $rise = static fn (string $up): array => [
            'fx' => [
                'lavatory rim=300',
                'north 30 fall 1/4 / down 30 / north 60 fall 1/4',
                'socket',
                ['size' => '1-1/2', 'use' => 'drain'],
            ],
            'v' => ['vent off fx 2 turn', "up {$up} / north 60 / up 60", 'roof', ['size' => '1-1/2']],
        ];
        yield 'a vent that goes level below the rim' => [['vent.belowRim@v'], 'upc-2021', $rise('12')];
        yield 'a vent that rises first' => [[], 'upc-2021', $rise('20')];
        $sag = static fn (string $level): array => [
            'fx' => [
                'lavatory rim=300',
                'north 30 fall 1/4 / down 30 / north 60 fall 1/4',
                'socket',
                ['size' => '1-1/2', 'use' => 'drain'],
            ],
            'v' => ['vent off fx 2 turn', "up 40 / north 60 {$level} / up 60", 'roof', ['size' => '1-1/2']],
        ];
        yield 'a vent that sags' => [['vent.sag@v'], 'ipc-2021', $sag('fall 1/4')];
        yield 'a vent that drains back' => [[], 'ipc-2021', $sag('rise 1/2')];
        yield 'a valve under a book that takes none' => [
            ['valve.refused@v'],
            'upc-2021',
            ['fx' => ['kitchen-sink', 'north 40 fall 1/4', 'socket'], 'v' => ['vent off fx 1 700', 'up 30', 'valve']],
        ];
        yield 'a valve where one vent is open' => [
            [],
            'ipc-2021',
            [
                'stack' => self::STACK,
                'fx' => ['kitchen-sink', 'north 90 fall 1/4', 'stack 1 1500'],
                'v' => ['vent off fx 1 700', 'up 30', 'valve'],
            ],
        ];
        yield 'a vent that is too small' => [
            ['vent.size@v'],
            'ipc-2021',
            [
                'wc' => [
                    'water-closet',
                    'north 30 fall 1/4 / down 30 / north 90 fall 1/4',
                    'socket',
                    ['size' => '3', 'use' => 'drain'],
                ],
                'v' => ['vent off wc 2 turn', 'up 110', 'roof', ['size' => '1-1/4']],
            ],
        ];
        yield 'two vents into one end' => [
            [],
            'ipc-2021',
            [
                'a' => [
                    'lavatory rim=300',
                    'north 30 fall 1/4 / down 30 / north 90 fall 1/4',
                    'socket',
                    ['size' => '2', 'use' => 'drain'],
                ],
                'va' => ['vent off a 2 turn', 'up 110', 'roof'],
                'b' => ['lavatory rim=300', 'west 30 fall 1/4', 'a 3 1000', ['size' => '1-1/2']],
                'vb' => ['vent off b 1 400', 'up 60 / west 14 1/4 / south 39 3/8', 'va 1 777', ['size' => '1-1/2']],
            ],
        ];
    }

    /** @return iterable<string, array{list<string>, string, array<string, mixed>, 3?: list<array<string, mixed>>}> */
    private static function bathrooms(): iterable
    {
        // Lavatory vented dry; tub and closet on the same level line, wet vented behind it.
        $group = static fn (string $size, string $book = 'ipc-2021'): array => [
            'main' => ['lavatory rim=800 group=a', 'north 150 fall 1/4', 'socket', ['size' => $size, 'use' => 'drain']],
            'v' => ['vent off main 1 800', 'up 100', 'roof', ['size' => '2']],
            'tub' => [
                'bath group=a',
                'east 40 fall 1/4',
                'main 1 1700',
                ['size' => $book === 'upc-2021' ? '2' : '1-1/2'],
            ],
            'wc' => ['water-closet group=a', 'east 30 fall 1/4', 'main 1 2700', ['size' => '3']],
        ];
        yield 'a bathroom on a wet vent of 3' => [[], 'ipc-2021', $group('3')];
        yield 'a bathroom on a wet vent of 3, the other book' => [[], 'upc-2021', $group('3', 'upc-2021')];
        // Four fixtures of one level branch, whatever they are, vented between the two most upstream: IPC 914.
        yield 'a kitchen sink on the wet vent of a bathroom makes a circuit vent of it' => [
            [],
            'ipc-2021',
            [
                'k' => ['kitchen-sink', 'west 30 fall 1/4', 'main 1 1100', ['size' => '1-1/2']],
                'kv' => ['vent off k 1 400', 'up 100', 'roof', ['size' => '1-1/2']],
            ] + $group('3'),
        ];
        yield 'that sink below the bathroom' => [
            [],
            'ipc-2021',
            [
                'k' => ['kitchen-sink', 'west 30 fall 1/4', 'main 1 3400', ['size' => '1-1/2']],
                'kv' => ['vent off k 1 400', 'up 100', 'roof', ['size' => '1-1/2']],
            ] + $group('3'),
        ];
        yield 'three sinks on a branch of 2' => [
            [],
            'ipc-2021',
            [
                'stack' => self::STACK,
                'a' => ['kitchen-sink', 'north 120 fall 1/4', 'stack 1 1500', ['use' => 'drain']],
                'va' => ['vent off a 1 500', 'up 100', 'roof'],
                'b' => ['kitchen-sink', 'east 30 fall 1/4', 'a 1 1200', ['size' => '1-1/2']],
                'vb' => ['vent off b 1 400', 'up 100', 'roof', ['size' => '1-1/2']],
                'c' => ['kitchen-sink', 'east 30 fall 1/4', 'a 1 2000', ['size' => '1-1/2']],
                'vc' => ['vent off c 1 400', 'up 100', 'roof', ['size' => '1-1/2']],
            ],
        ];
        yield 'a fourth one is too many' => [
            ['size.load@a'],
            'ipc-2021',
            [
                'stack' => self::STACK,
                'a' => ['kitchen-sink', 'north 120 fall 1/4', 'stack 1 1500', ['use' => 'drain']],
                'va' => ['vent off a 1 500', 'up 100', 'roof'],
                'b' => ['kitchen-sink', 'east 30 fall 1/4', 'a 1 1200', ['size' => '1-1/2']],
                'vb' => ['vent off b 1 400', 'up 100', 'roof', ['size' => '1-1/2']],
                'c' => ['kitchen-sink', 'east 30 fall 1/4', 'a 1 2000', ['size' => '1-1/2']],
                'vc' => ['vent off c 1 400', 'up 100', 'roof', ['size' => '1-1/2']],
                'd' => ['kitchen-sink', 'east 30 fall 1/4', 'a 1 2600', ['size' => '1-1/2']],
                'vd' => ['vent off d 1 400', 'up 100', 'roof', ['size' => '1-1/2']],
            ],
        ];
        yield 'two closets back to back on a cross' => [
            ['cross.throws@stack'],
            'ipc-2021',
            [
                'stack' => ['roof', 'down 120 / north 96 fall 1/4', 'socket', ['size' => '4', 'use' => 'drain']],
                'a' => ['water-closet', 'north 14 fall 1/4', 'stack 1 1500 double-san-tee', ['size' => '3']],
                'b' => ['water-closet', 'south 14 fall 1/4', 'stack 1 1500', ['size' => '3']],
            ],
        ];
        yield 'two closets on a double fixture fitting' => [
            [],
            'ipc-2021',
            [
                'stack' => ['roof', 'down 120 / north 96 fall 1/4', 'socket', ['size' => '4', 'use' => 'drain']],
                'a' => ['water-closet', 'north 14 fall 1/4', 'stack 1 1500', ['size' => '3']],
                'b' => ['water-closet', 'south 14 fall 1/4', 'stack 1 1500', ['size' => '3']],
            ],
        ];
    }

    /** @return iterable<string, array{list<string>, string, array<string, mixed>, 3?: list<array<string, mixed>>}> */
    private static function british(): iterable
    {
        $basin = static fn (string $legs): array => [
            'stack' => self::UK_STACK,
            'basin' => ['lavatory seal=75', $legs, 'stack 1 1500 boss', ['size' => '32']],
        ];
        yield 'a basin of 32 too far from the stack' => [
            ['arm.long@basin'],
            'adh-2015',
            $basin('north 2000 fall 18 mm/m'),
        ];
        yield 'a basin of 32 within reach' => [[], 'adh-2015', $basin('north 1600 fall 20 mm/m')];
        yield 'a basin branch too steep for its length' => [
            ['arm.gradient@basin'],
            'adh-2015',
            $basin('north 1600 fall 40 mm/m'),
        ];
        yield 'a shallow seal' => [
            ['trap.seal@basin'],
            'adh-2015',
            [
                'stack' => self::UK_STACK,
                'basin' => ['lavatory seal=50', 'north 1600 fall 20 mm/m', 'stack 1 1500 boss', ['size' => '32']],
            ],
        ];
        yield 'a basin over a gully' => [
            [],
            'adh-2015',
            ['basin' => ['lavatory seal=75', 'north 1200 fall 20 mm/m', 'gully', ['size' => '32']]],
        ];
        yield 'a branch too low on the stack' => [
            ['stack.lowBranch@stack'],
            'adh-2015',
            [
                'stack' => self::UK_STACK,
                'basin' => ['lavatory seal=75', 'north 1600 fall 20 mm/m', 'stack 1 3700 boss', ['size' => '32']],
            ],
        ];
        yield 'a basin opposite a closet' => [
            ['branch.opposite@stack'],
            'adh-2015',
            [
                'stack' => self::UK_STACK,
                'wc' => [
                    'water-closet seal=50',
                    'north 800 fall 20 mm/m',
                    'stack 1 1500',
                    ['size' => '110', 'system' => 'pvcu-soil'],
                ],
                'basin' => ['lavatory seal=75', 'south 1600 fall 20 mm/m', 'stack 1 1640 boss', ['size' => '32']],
            ],
        ];
        yield 'a basin well below it' => [
            [],
            'adh-2015',
            [
                'stack' => self::UK_STACK,
                'wc' => [
                    'water-closet seal=50',
                    'north 800 fall 20 mm/m',
                    'stack 1 1500',
                    ['size' => '110', 'system' => 'pvcu-soil'],
                ],
                'basin' => ['lavatory seal=75', 'south 1600 fall 20 mm/m', 'stack 1 1720 boss', ['size' => '32']],
            ],
        ];
    }

    /** @return iterable<string, array{list<string>, string, array<string, mixed>, 3?: list<array<string, mixed>>}> */
    private static function timber(): iterable
    {
        $through = static fn (array $obstacle): array => [
            ['stack' => self::STACK, 'fx' => ['shower', 'north 60 fall 1/4', 'stack 1 1500']],
            [$obstacle + ['run' => 'fx', 'leg' => 'l1', 'at_mm' => 300]],
        ];
        $joists = static fn (int $top): array => $through([
            'kind' => 'joist',
            'what' => 'joist',
            'every_mm' => 406.4,
            'count' => 3,
            'depth_mm' => 235,
            'top_mm' => $top,
        ]);
        yield 'holes too near the edge' => [['joist.edge@fx'], 'ipc-2021', ...$joists(70)];
        yield 'holes in the middle' => [[], 'ipc-2021', ...$joists(110)];
        yield 'a notch in the flange of an engineered joist' => [
            ['joist.flange@fx'],
            'ipc-2021',
            ...$through([
                'kind' => 'joist-engineered',
                'what' => 'joist',
                'cut' => 'notch',
                'depth_mm' => 241,
                'top_mm' => 10,
            ]),
        ];
        yield 'through its web, by the chart' => [
            [],
            'ipc-2021',
            ...$through([
                'kind' => 'joist-engineered',
                'what' => 'joist',
                'depth_mm' => 241,
                'top_mm' => 120,
                'allowed_mm' => 120,
            ]),
        ];
        yield 'through a fire-rated wall, open' => [
            ['penetration.open@fx'],
            'ipc-2021',
            ...$through(['kind' => 'wall', 'what' => 'the party wall', 'rated' => true]),
        ];
        yield 'sealed' => [
            [],
            'ipc-2021',
            ...$through(['kind' => 'wall', 'what' => 'the party wall', 'rated' => true, 'sealed' => true]),
        ];
    }
}
