<?php

declare(strict_types=1);

namespace FallBend\Core\Tests\Rules\Network;

use FallBend\Core\Tests\Cases\CaseRows;
use FallBend\Core\Tests\Network\CaseJob;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;

/**
 * Every rule of networks on both sides of its limit: one job that it speaks of, and the same job a hair on the other
 * side.
 */
final class NetworkRulesTest extends TestCase
{
    /**
     * @return iterable<string, array{string, array<mixed>, array<mixed>}> rule, arguments of CaseJob::of that break it,
     *     arguments that keep it
     */
    public static function limits(): iterable
    {
        foreach (
            [
                ...self::joining(),
                ...self::loads(),
                ...self::traps(),
                ...self::arms(),
                ...self::vents(),
                ...self::access(),
                ...self::building(),
                ...self::noVents(),
                ...self::ofClauses(),
            ] as $i => $row
        ) {
            yield "{$row[0]} {$row[1][0]} {$i}" => $row;
        }
    }

    /**
     * @param array<mixed> $breaks
     * @param array<mixed> $keeps
     */
    #[DataProvider('limits')]
    public function testSpeaksOnOneSideOfItsLimitOnly(string $rule, array $breaks, array $keeps): void
    {
        $rules = static fn (array $arguments): array => array_merge(
            ...array_map(
                static fn (array $run): array => array_column($run['findings'], 'rule'),
                CaseJob::evaluation(CaseJob::of(...$arguments))['runs'],
            ),
        );
        self::assertContains($rule, $rules($breaks));
        self::assertNotContains($rule, $rules($keeps));
    }

    /** @return list<array{string, array<mixed>, array<mixed>}> the first clause on both sides of each of these */
    private static function ofClauses(): array
    {
        $rules = [
            'building.coldest',
            'building.drainVentilated',
            'building.oneFamily',
            'building.storeys',
            'building.whole',
            'fall.least',
            'fixture.guard',
            'fixture.guardNotKnown',
            'stack.base',
            'stack.offset',
            'stack.relief',
            'stack.suds',
            'stack.ventFoot',
            'stack.ventStack',
            'vent.aggregate',
            'vent.far',
            'vent.frost',
            'vent.level',
            'vent.stackLong',
            'vent.terminalLow',
        ];
        $sides = [];
        foreach (CaseRows::of('clauses.json') as [$case]) {
            foreach (['finds', 'clean'] as $i => $side) {
                foreach ($case[$side] as $found) {
                    $rule = explode('@', $found)[0];
                    $sides["{$rule} {$case['book']} {$case['clause']}"][$i] ??= [
                        $case['book'],
                        $case['runs'],
                        $case['obstacles'] ?? [],
                        [],
                        $case['building'] ?? [],
                    ];
                }
            }
        }
        $limits = [];
        foreach ($sides as $key => $both) {
            $rule = explode(' ', $key)[0];
            if (in_array($rule, $rules, true) && isset($both[0], $both[1])) {
                $limits[] = [$rule, $both[0], $both[1]];
            }
        }

        return $limits;
    }

    /** @return list<array{string, array<mixed>, array<mixed>}> what rules of vents say nothing of */
    private static function noVents(): array
    {
        $house = static fn (array $more): array => ['ipc-2021', self::stack() + $more];
        $basin = ['lavatory', 'north 60 fall 1/4', 'stack 1 1000'];

        return [
            [
                'vent.sag',
                $house([
                    'fx' => $basin,
                    'v' => ['vent off fx 1 600', 'up 40 / north 20 / down 20 / north 20 / up 40', 'roof'],
                ]),
                // A drain that rises is no vent that sags.
                $house(['fx' => ['lavatory', 'north 30 rise 1', 'stack 1 1000']]),
            ],
        ];
    }

    /** @return list<array{string, array<mixed>, array<mixed>}> */
    private static function joining(): array
    {
        $off = static fn (float $at, string $book = 'ipc-2021'): array => [
            $book,
            self::stack() + ['fx' => ['lavatory', 'north 30 fall 1/4', "stack 1 {$at}"]],
        ];
        $angle = static fn (string $way): array => [
            'ipc-2021',
            [
                'main' => ['socket', 'north 120 fall 1/4', 'socket', ['size' => '3']],
                'fx' => ['lavatory', "{$way} 30 fall 1/4", 'main 1 1500'],
            ],
        ];
        $sizes = static fn (string $main): array => [
            'ipc-2021',
            [
                'main' => ['socket', 'north 120 fall 1/4', 'socket', ['size' => $main]],
                'fx' => ['lavatory', 'east 30 fall 1/4', 'main 1 1500', ['size' => '3']],
            ],
        ];
        $pair = static fn (string $second): array => [
            'ipc-2021',
            self::stack() + [
                'a' => ['lavatory', 'north 30 fall 1/4', 'stack 1 1500'],
                'b' => ['lavatory', "{$second} 30 fall 1/4", 'stack 1 1500'],
            ],
        ];
        $pattern = static fn (string $asked, string $fall): array => [
            'ipc-2021',
            [
                'main' => ['socket', 'north 120 fall 1/4', 'socket', ['size' => '3']],
                'fx' => ['lavatory', $fall, "main 1 1500 {$asked}"],
            ],
        ];
        $soil = static fn (
            string $legs,
            string $size,
            string $into,
            string $fixture = 'water-closet',
            string $system = 'pvcu-soil',
        ): array => [
            'adh-2015',
            [
                'stack' => [
                    'roof',
                    'down 4000',
                    'on main',
                    ['size' => '110', 'system' => 'pvcu-soil', 'use' => 'drain'],
                ],
                'main' => [
                    'run',
                    'north 6000 fall 20 mm/m',
                    'socket',
                    ['size' => '110', 'system' => 'pvcu-soil', 'use' => 'drain'],
                ],
                'fx' => [$fixture, $legs, $into, ['size' => $size, 'system' => $system]],
            ],
        ];
        $closets = static fn (string $inches): array => [
            'ipc-2021',
            self::stack('4') + [
                'a' => ['water-closet', "north {$inches} fall 1/4", 'stack 1 1500 double-san-tee', ['size' => '3']],
                'b' => ['water-closet', "south {$inches} fall 1/4", 'stack 1 1500', ['size' => '3']],
            ],
        ];
        $barrel = static fn (string $size): array => [
            'upc-2021',
            self::stack($size) + [
                'a' => ['lavatory', 'north 30 fall 1/4', 'stack 1 1500 double-san-tee'],
                'b' => ['lavatory', 'south 30 fall 1/4', 'stack 1 1500'],
            ],
        ];
        $opposite = static fn (float $at): array => [
            'adh-2015',
            [
                'stack' => [
                    'roof',
                    'down 4000 / north 2000 fall 25 mm/m',
                    'socket',
                    ['size' => '110', 'system' => 'pvcu-soil', 'use' => 'drain'],
                ],
                'wc' => [
                    'water-closet',
                    'north 600 fall 20 mm/m',
                    'stack 1 1500',
                    ['size' => '110', 'system' => 'pvcu-soil'],
                ],
                'fx' => ['lavatory seal=75', 'south 600 fall 20 mm/m', "stack 1 {$at} boss"],
            ],
        ];
        $into = static fn (string $next): array => [
            'ipc-2021',
            [
                'a' => ['lavatory', 'north 30 fall 1/4', 'on b', ['size' => '2']],
                'b' => ['run', 'north 40 fall 1/4', 'socket', ['size' => $next]],
            ],
        ];
        $meets = static fn (string $vent): array => [
            'ipc-2021',
            self::stack() + [
                'fx' => ['lavatory', 'north 40 fall 1/4', 'stack 1 1524'],
                'v' => ['vent off fx 1 500', "up 30 / north {$vent}", 'stack 1 741'],
            ],
        ];

        return [
            ['branch.offLeg', $off(3100.0), $off(1500.0)],
            ['branch.againstFlow', $angle('south'), $angle('east')],
            ['branch.noAngle', $angle('left 70°'), $angle('left 45°')],
            ['branch.larger', $sizes('2'), $sizes('3')],
            ['branch.notOpposite', $pair('east'), $pair('south')],
            ['branch.noSuchFitting', $pattern('swept-tee', 'east 30 fall 1/4'), $pattern('combo', 'east 30 fall 1/4')],
            [
                'branch.pattern',
                $soil('south 600 fall 20 mm/m', '40', 'main 1 1000 boss', 'lavatory', 'pvcu-solvent'),
                $soil('south 600 fall 20 mm/m', '40', 'stack 1 1000 boss', 'lavatory', 'pvcu-solvent'),
            ],
            [
                'branch.patternDoubtful',
                $soil('right 87.5° 600 fall 20 mm/m', '110', 'main 1 1000 swept-tee'),
                $soil('right 45° 600 fall 20 mm/m', '110', 'main 1 1000'),
            ],
            ['branch.teeOnBack', $pattern('san-tee', 'east 30 fall 1/4'), $pattern('combo', 'east 30 fall 1/4')],
            ['branch.dryFitting', $pattern('vent-tee', 'east 30 fall 1/4'), $pattern('combo', 'east 30 fall 1/4')],
            ['cross.throws', $closets('17'), $closets('19')],
            ['cross.barrel', $barrel('3'), $barrel('4')],
            ['branch.opposite', $opposite(1650.0), $opposite(1750.0)],
            ['size.reducedInto', $into('1-1/2'), $into('2')],
            [
                'size.reducedInto',
                ['ipc-2021', ['z' => ['lavatory', 'north 30 fall 1/4', 'socket']] + $into('1-1/2')[1]],
                $into('2'),
            ],
            ['network.misses', $meets('21'), $meets('20 5/16')],
            [
                'network.loop',
                [
                    'ipc-2021',
                    [
                        'a' => ['socket', 'north 60 fall 1/4', 'b 1 700'],
                        'b' => ['socket', 'east 60 fall 1/4', 'a 1 700'],
                    ],
                ],
                [
                    'ipc-2021',
                    [
                        'a' => ['socket', 'north 60 fall 1/4', 'b 1 700'],
                        'b' => ['socket', 'east 60 fall 1/4', 'socket'],
                    ],
                ],
            ],
            [
                'head.unknown',
                ['ipc-2021', self::stack() + ['x' => ['socket', 'north 30 fall 1/4', 'stack 1 1500']]],
                ['ipc-2021', self::stack() + ['x' => ['lavatory', 'north 30 fall 1/4', 'stack 1 1500']]],
            ],
        ];
    }

    /** @return list<array{string, array<mixed>, array<mixed>}> */
    private static function loads(): array
    {
        // Kitchen sinks of 2 units each on one level branch of 2 in: 6 units at most.
        $branch = static fn (int $sinks, string $book = 'ipc-2021'): array => [
            $book,
            self::stack() + ['line' => ['kitchen-sink', 'north 200 fall 1/4', 'stack 1 1500', ['use' => 'drain']]] +
            self::sinks($sinks - 1, 'line 1'),
        ];
        $building = static fn (int $tubs, string $fall): array => [
            'ipc-2021',
            ['main' => ['kitchen-sink', "north 600 fall {$fall}", 'socket', ['size' => '2', 'use' => 'drain']]] +
            self::sinks($tubs - 1, 'main 1'),
        ];
        $stack = static fn (int $sinks): array => [
            'ipc-2021',
            ['stack' => ['roof', 'down 300 / north 60 fall 1/4 size 3', 'socket', ['size' => '2', 'use' => 'drain']]] +
            self::sinks($sinks, 'stack 1'),
        ];
        $storeys = static fn (int $sinks, int $others): array => [
            'ipc-2021',
            ['stack' => ['roof', 'down 500 / north 60 fall 1/4 size 3', 'socket', ['size' => '2', 'use' => 'drain']]] +
            self::sinks($sinks, 'stack 1') +
            array_combine(
                array_map(static fn (int $i): string => "o{$i}", range(1, $others)),
                array_map(
                    static fn (int $i): array => ['lavatory', 'east 30 fall 1/4', 'stack 1 '.(900 + 2600 * $i)],
                    range(1, $others),
                ),
            ),
        ];
        $closet = static fn (string $size): array => [
            'upc-2021',
            self::stack('3') + ['wc' => ['water-closet', 'north 20 fall 1/4', 'stack 1 1500', ['size' => $size]]],
        ];
        $closets = static fn (int $n, string $size, string $book = 'upc-2021'): array => [
            $book,
            ['main' => ['water-closet', 'north 400 fall 1/4', 'socket', ['size' => $size, 'use' => 'drain']]] +
            array_combine(
                array_map(static fn (int $i): string => "wc{$i}", range(2, $n)),
                array_map(
                    static fn (int $i): array => [
                        'water-closet',
                        'east 20 fall 1/4',
                        'main 1 '.(1000 + 600 * $i),
                        ['size' => '3'],
                    ],
                    range(2, $n),
                ),
            ),
        ];
        $uk = static fn (int $baths): array => [
            'adh-2015',
            [
                'stack' => [
                    'roof',
                    'down 4000 / north 2000 fall 25 mm/m',
                    'socket',
                    ['size' => '110', 'system' => 'pvcu-soil', 'use' => 'drain'],
                ],
                'line' => [
                    'bath seal=50',
                    'north 3000 fall 20 mm/m',
                    'stack 1 1500 boss',
                    ['size' => '50', 'use' => 'drain'],
                ],
            ] +
            array_combine(
                array_map(static fn (int $i): string => "b{$i}", range(2, $baths)),
                array_map(
                    static fn (int $i): array => [
                        'bath seal=50',
                        'left 45° 300 fall 20 mm/m',
                        'line 1 '.(200 + 150 * $i),
                    ],
                    range(2, $baths),
                ),
            ),
        ];

        return [
            ['size.load', $branch(4), $branch(3)],
            ['size.load', $building(11, '1/4'), $building(10, '1/4')],
            ['size.load', $stack(6), $stack(5)],
            ['size.load', $uk(9), $uk(8)],
            ['size.interval', $storeys(4, 3), $storeys(3, 3)],
            ['size.interval', $storeys(4, 3), $storeys(4, 2)],
            ['size.loadNotKnown', $building(2, '1/8'), $building(2, '1/4')],
            ['closet.size', $closet('2'), $closet('3')],
            ['closet.count', $closets(4, '3'), $closets(3, '3')],
            ['closet.count', $closets(4, '3'), $closets(4, '4')],
            // NPC 2.4.9.2: two on level pipe of 3 in.
            ['closet.count', $closets(3, '3', 'npc-2020'), $closets(2, '3', 'npc-2020')],
        ];
    }

    /** @return list<array{string, array<mixed>, array<mixed>}> */
    private static function traps(): array
    {
        $fx = static fn (
            string $fixture,
            string $book = 'ipc-2021',
            string $size = '2',
            array $obstacles = [],
        ): array => [
            $book,
            self::stack() + ['fx' => [$fixture, 'north 30 fall 1/4', 'stack 1 1500', ['size' => $size]]],
            $obstacles,
        ];
        $uk = static fn (string $fixture): array => [
            'adh-2015',
            ['fx' => [$fixture, 'north 600 fall 20 mm/m', 'gully', ['size' => '40']]],
        ];

        return [
            ['trap.size', $fx('shower', 'upc-2021', '1-1/2'), $fx('shower', 'upc-2021')],
            [
                'trap.size',
                $fx('kitchen-sink size=1-1/4', 'ipc-2021', '1-1/2'),
                $fx('kitchen-sink size=1-1/2', 'ipc-2021', '1-1/2'),
            ],
            [
                'trap.larger',
                $fx('lavatory size=2', 'ipc-2021', '1-1/2'),
                $fx('lavatory size=1-1/2', 'ipc-2021', '1-1/2'),
            ],
            ['trap.fixtureNotKnown', $fx('camper-inlet'), $fx('camper-inlet', 'upc-2021', '3')],
            ['trap.missing', $fx('lavatory trap=none'), $fx('lavatory')],
            ['trap.kind', $fx('lavatory trap=s'), $fx('lavatory trap=p')],
            ['trap.kind', $fx('lavatory trap=bottle'), $uk('lavatory trap=bottle seal=75')],
            ['trap.kind', $fx('lavatory trap=drum'), $fx('lavatory')],
            ['trap.kind', $fx('lavatory trap=bell'), $fx('lavatory')],
            ['trap.doubled', $fx('water-closet trap=p', 'ipc-2021', '3'), $fx('water-closet', 'ipc-2021', '3')],
            [
                'trap.doubled',
                $fx('lavatory', 'ipc-2021', '2', [['kind' => 'trap', 'run' => 'fx', 'leg' => 'l1', 'at_mm' => 300]]),
                $fx('lavatory'),
            ],
            ['trap.seal', $fx('lavatory seal=50'), $fx('lavatory seal=51')],
            ['trap.seal', $fx('lavatory seal=103'), $fx('lavatory seal=101')],
            ['trap.seal', $uk('lavatory seal=74'), $uk('lavatory seal=75')],
            ['tailpiece.drop', $fx('lavatory drop=611'), $fx('lavatory drop=609')],
            ['tailpiece.across', $fx('lavatory across=764'), $fx('lavatory across=761')],
            ['standpipe.height', $fx('clothes-washer standpipe=450'), $fx('clothes-washer standpipe=460')],
            ['standpipe.height', $fx('clothes-washer standpipe=770', 'upc-2021'), $fx('clothes-washer standpipe=770')],
            [
                'standpipe.trap',
                $fx('clothes-washer standpipe=600 floor=140', 'upc-2021'),
                $fx('clothes-washer standpipe=600 floor=160', 'upc-2021'),
            ],
            [
                'standpipe.top',
                $uk('clothes-washer seal=75 standpipe=300 floor=250'),
                $uk('clothes-washer seal=75 standpipe=400 floor=250'),
            ],
            ['standpipe.measure', $fx('clothes-washer'), $fx('clothes-washer standpipe=600')],
            ['hot.discharge', $fx('dishwasher hot=61'), $fx('dishwasher hot=60')],
        ];
    }

    /** @return list<array{string, array<mixed>, array<mixed>}> */
    private static function arms(): array
    {
        $arm = static fn (string $book, string $fixture, string $legs, string $size): array => [
            $book,
            self::stack() + ['fx' => [$fixture, $legs, 'stack 1 1500', ['size' => $size]]],
        ];
        $under = static fn (string $from, string $legs): array => [
            'main' => [$from, $legs, 'socket', ['size' => '3', 'use' => 'drain']],
            'fx' => ['lavatory', 'east 30 fall 1/4', 'main 1 1500'],
        ];
        // A level pipe with its vent beyond the second fixture.
        $sinks = static fn (string $third): array => [
            'main' => ['sink', 'north 260 fall 1/4', 'socket', ['size' => '3', 'use' => 'drain']],
            'v' => ['vent off main 1 1500', 'up 90', 'roof', ['size' => '2']],
            'b' => ['floor-drain', 'east 20 fall 1/4', 'main 1 900', ['size' => '2']],
            'c' => [$third, 'east 20 fall 1/4', 'main 1 3000', ['size' => '1-1/2']],
        ];
        $uk = static fn (string $fixture, string $length, string $fall, string $size = '32'): array => [
            'adh-2015',
            [
                'stack' => [
                    'roof',
                    'down 4000 / north 2000 fall 25 mm/m',
                    'socket',
                    ['size' => '110', 'system' => 'pvcu-soil', 'use' => 'drain'],
                ],
                'fx' => [
                    "{$fixture} seal=75",
                    "north {$length} fall {$fall} mm/m",
                    'stack 1 1500 boss',
                    ['size' => $size],
                ],
            ],
        ];

        return [
            [
                'arm.long',
                $arm('ipc-2021', 'lavatory', 'north 61 fall 1/4', '1-1/4'),
                $arm('ipc-2021', 'lavatory', 'north 59 fall 1/4', '1-1/4'),
            ],
            [
                'arm.long',
                $arm('ipc-2021', 'lavatory', 'north 73 fall 1/4', '1-1/2'),
                $arm('ipc-2021', 'lavatory', 'north 71 fall 1/4', '1-1/2'),
            ],
            [
                'arm.long',
                $arm('irc-2021', 'shower', 'north 97 fall 1/4', '2'),
                $arm('irc-2021', 'shower', 'north 95 fall 1/4', '2'),
            ],
            [
                'arm.long',
                $arm('upc-2021', 'lavatory', 'north 43 fall 1/4', '1-1/2'),
                $arm('upc-2021', 'lavatory', 'north 41 fall 1/4', '1-1/2'),
            ],
            [
                'arm.long',
                $arm('upc-2021', 'shower', 'north 61 fall 1/4', '2'),
                $arm('upc-2021', 'shower', 'north 59 fall 1/4', '2'),
            ],
            [
                'arm.long',
                $arm('npc-2020', 'shower', 'north 95 fall 1/4', '2'),
                $arm('npc-2020', 'shower', 'north 94 fall 1/4', '2'),
            ],
            [
                'arm.long',
                $arm('upc-2021', 'water-closet', 'north 73 fall 1/4', '3'),
                $arm('ipc-2021', 'water-closet', 'north 73 fall 1/4', '3'),
            ],
            ['arm.long', $uk('lavatory', '1705', '18'), $uk('lavatory', '1695', '18')],
            ['arm.long', $uk('bath', '3010', '18', '40'), $uk('bath', '2990', '18', '40')],
            ['arm.mostNotKnown', $uk('mop-sink', '900', '20', '40'), $uk('bath', '900', '20', '40')],
            [
                'arm.short',
                $arm('ipc-2021', 'lavatory', 'north 3 15/16 fall 1/4', '2'),
                $arm('ipc-2021', 'lavatory', 'north 4 1/16 fall 1/4', '2'),
            ],
            [
                'arm.fall',
                $arm('ipc-2021', 'lavatory', 'north 50 drop 2 1/16', '2'),
                $arm('ipc-2021', 'lavatory', 'north 50 drop 1 15/16', '2'),
            ],
            [
                'arm.sShape',
                $arm('ipc-2021', 'lavatory', 'north 10 fall 1/4 / down 12 / north 20 fall 1/4', '1-1/2'),
                $arm('ipc-2021', 'lavatory', 'north 30 fall 1/4', '1-1/2'),
            ],
            ['arm.gradient', $uk('lavatory', '1700', '23'), $uk('lavatory', '1700', '22')],
            ['arm.gradient', $uk('lavatory', '1400', '34'), $uk('lavatory', '1400', '32')],
            ['arm.gradient', $uk('lavatory', '700', '88'), $uk('lavatory', '700', '86')],
            [
                'arm.turns',
                $arm(
                    'upc-2021',
                    'lavatory',
                    'north 10 fall 1/4 / left 10 fall 1/4 / right 45° 10 fall 1/4 / right 45° 10 fall 1/4',
                    '1-1/2',
                ),
                $arm('upc-2021', 'lavatory', 'north 20 fall 1/4 / left 20 fall 1/4', '1-1/2'),
            ],
            [
                'vent.missing',
                ['ipc-2021', ['fx' => ['lavatory', 'north 108 fall 1/4', 'socket']]],
                ['ipc-2021', self::stack() + ['fx' => ['lavatory', 'north 30 fall 1/4', 'stack 1 1500']]],
            ],
            [
                'vent.missing',
                // A pipe that stands and comes along level brings no air; one that leads down may.
                ['ipc-2021', $under('standing', 'north 220 fall 1/4')],
                ['ipc-2021', $under('standing', 'down 144')],
            ],
            [
                'vent.belowNotKnown',
                ['ipc-2021', ['fx' => ['lavatory', 'north 90 fall 1/4', 'socket']]],
                ['ipc-2021', ['fx' => ['lavatory', 'north 108 fall 1/4', 'socket']]],
            ],
            [
                'vent.notJudged',
                ['upc-2021', $sinks('sink')],
                ['upc-2021', $sinks('bath')],
            ],
            [
                'vent.aboveNotKnown',
                ['upc-2021', $under('standing', 'down 144')],
                ['upc-2021', $under('standing vent', 'down 144')],
            ],
        ];
    }

    /** @return list<array{string, array<mixed>, array<mixed>}> */
    private static function vents(): array
    {
        $below = static fn (string $upper, string $lower, string $book = 'ipc-2021', string $size = '3'): array => [
            $book,
            self::stack($size) + [
                'a' => [$upper, 'north 30 fall 1/4', 'stack 1 1000'],
                'b' => [
                    $lower,
                    'south 30 fall 1/4',
                    'stack 1 1800',
                    ['size' => str_starts_with($lower, 'water') ? '3' : '2'],
                ],
            ],
        ];
        // A third fixture above makes of the common vent a stack.
        $third = static fn (array $arguments): array => [
            $arguments[0],
            $arguments[1] + ['c' => ['kitchen-sink', 'east 30 fall 1/4', 'stack 1 700']],
        ];
        $wet = static fn (string $size, string $fixture = 'bath group=a', string $book = 'ipc-2021'): array => [
            $book,
            [
                'main' => ['lavatory group=a', 'north 200 fall 1/4', 'socket', ['size' => $size, 'use' => 'drain']],
                'v' => ['vent off main 1 600', 'up 90', 'roof', ['size' => $size === '1-1/2' ? '1-1/2' : '2']],
                'b' => [$fixture, 'east 30 fall 1/4', 'main 1 2000', ['size' => '1-1/2']],
                'c' => [$fixture, 'east 30 fall 1/4', 'main 1 3000', ['size' => '1-1/2']],
                'd' => [
                    'water-closet group=a',
                    'east 30 fall 1/4',
                    'main 1 4200',
                    ['size' => $size === '3' ? '3' : '2'],
                ],
            ],
        ];
        $vented = static fn (
            string $legs,
            string $end,
            array $more = [],
            string $fixture = 'lavatory rim=400',
            string $book = 'ipc-2021',
        ): array => [
            $book,
            [
                'main' => [$fixture, 'north 40 fall 1/4 / down 40 / north 60 fall 1/4', 'socket', ['use' => 'drain']],
                'v' => ['vent off main 2 turn', $legs, $end, $more + ['size' => '2']],
            ],
        ];
        $level = static fn (string $legs): array => [
            'upc-2021',
            [
                'main' => ['lavatory rim=100', 'north 60 fall 1/4', 'socket', ['use' => 'drain']],
                'v' => ['vent off main 1 700', $legs, 'roof'],
            ],
        ];
        $valve = static fn (string $legs, array $more = []): array => [
            'ipc-2021',
            [
                'main' => [
                    'lavatory rim=400',
                    'north 40 fall 1/4 / down 40 / north 60 fall 1/4',
                    'socket',
                    ['use' => 'drain'],
                ],
                'v' => ['vent off main 2 turn', $legs, 'valve'],
            ] + $more,
        ];

        $levelWet = [
            'upc-2021',
            [
                'main' => ['bath group=a', 'north 60 fall 1/4', 'socket', ['use' => 'drain']],
                'fx' => ['lavatory group=a', 'east 30 fall 1/4', 'main 1 700'],
                'v' => ['vent off fx 1 500', 'up 90', 'roof'],
            ],
        ];
        $levelStub = $level('up 90');
        $levelStub[1]['c'] = ['cap', 'east 20 fall 1/4', 'main 1 1000'];
        // A stack that a valve ends, so many arms in it: over their weirs enough, and not over their rims.
        $valveOf = static fn (int $arms): array => [
            'ipc-2021',
            ['stack' => ['valve', 'down 60 / north 60 fall 1/4', 'socket', ['size' => '3', 'use' => 'drain']]] +
            array_combine(
                array_map(static fn (int $i): string => "a{$i}", range(1, $arms)),
                array_map(
                    static fn (int $i): array => [
                        'lavatory rim=800',
                        ['north', 'east', 'south'][$i - 1].' 30 fall 1/4',
                        'stack 1 '.(100 + 300 * $i),
                    ],
                    range(1, $arms),
                ),
            ),
        ];

        // So many baths or sinks on one level pipe before its vent.
        $shared = static fn (int $n, string $kind, string $book = 'ipc-2021'): array => [
            $book,
            [
                'main' => [$kind, 'north 260 fall 1/4', 'socket', ['size' => '3', 'use' => 'drain']],
                'v' => ['vent off main 1 4500', 'up 90', 'roof', ['size' => '2']],
            ] + array_combine(
                array_map(static fn (int $i): string => "x{$i}", range(2, $n)),
                array_map(
                    static fn (int $i): array => [$kind, 'east 20 fall 1/4', 'main 1 '.(400 * $i), ['size' => '1-1/2']],
                    range(2, $n),
                ),
            ),
        ];

        return [
            ['vent.shared', $shared(3, 'bath'), $shared(2, 'bath')],
            ['vent.shared', $shared(3, 'bath', 'upc-2021'), $shared(2, 'bath', 'upc-2021')],
            ['vent.shared', $shared(3, 'sink', 'npc-2020'), $shared(2, 'sink', 'npc-2020')],
            ['vent.sharedNotJudged', $shared(3, 'sink', 'upc-2021'), $shared(3, 'bath', 'upc-2021')],
            [
                'vent.byStack',
                $third($below('kitchen-sink', 'lavatory', size: '1-1/2')),
                [
                    'ipc-2021',
                    self::stack() + [
                        'a' => ['kitchen-sink', 'north 30 fall 1/4', 'stack 1 1500'],
                        'b' => ['lavatory', 'south 30 fall 1/4', 'stack 1 1500'],
                    ],
                ],
            ],
            [
                'vent.byStack',
                $third($below('kitchen-sink', 'water-closet', 'irc-2021')),
                $below('kitchen-sink', 'water-closet'),
            ],
            [
                'vent.byStack',
                $third($below('lavatory group=a', 'water-closet group=a', 'irc-2021')),
                $below('lavatory group=a', 'water-closet group=a'),
            ],
            [
                'vent.byStack',
                $below('lavatory group=a', 'water-closet group=a', 'upc-2021'),
                $below('lavatory group=a', 'bath group=a', 'upc-2021'),
            ],
            ['wetvent.load', $wet('2', 'bath group=a'), $wet('3', 'bath group=a')],
            ['wetvent.loadNotKnown', $wet('4', book: 'upc-2021'), $wet('3', book: 'upc-2021')],
            ['wetvent.size', ['upc-2021', $wet('1-1/2')[1]], ['upc-2021', $wet('2')[1]]],
            [
                'vent.madeWet',
                [
                    'ipc-2021',
                    $vented('up 90', 'roof')[1] + [
                        'x' => ['lavatory', 'east 20 fall 1/4', 'v 1 1000', ['size' => '1-1/2']],
                    ],
                ],
                $vented('up 90', 'roof'),
            ],
            [
                'vent.size',
                [
                    'ipc-2021',
                    self::stack() + [
                        'wc' => [
                            'water-closet',
                            'north 30 fall 1/4 / down 20 / north 20 fall 1/4',
                            'stack 1 1500',
                            ['size' => '3'],
                        ],
                        'v' => ['vent off wc 2 turn', 'up 90', 'roof', ['size' => '1-1/4']],
                    ],
                ],
                [
                    'ipc-2021',
                    self::stack() + [
                        'wc' => [
                            'water-closet',
                            'north 30 fall 1/4 / down 20 / north 20 fall 1/4',
                            'stack 1 1500',
                            ['size' => '3'],
                        ],
                        'v' => ['vent off wc 2 turn', 'up 90', 'roof', ['size' => '1-1/2']],
                    ],
                ],
            ],
            [
                'vent.sizeForLength',
                $vented("up 100 / north 32'", 'roof', ['size' => '1-1/4']),
                $vented("up 100 / north 31'", 'roof', ['size' => '1-1/4']),
            ],
            [
                'vent.sizeForLength',
                $vented("up 100 / north 32'", 'roof', ['size' => '1-1/4']),
                $vented('up 100 / north 380 1/64', 'roof', ['size' => '1-1/4']),
            ],
            [
                'vent.long',
                $vented("up 100 / north 60'", 'roof', ['size' => '1-1/2'], 'lavatory rim=400', 'upc-2021'),
                $vented("up 100 / north 50'", 'roof', ['size' => '1-1/2'], 'lavatory rim=400', 'upc-2021'),
            ],
            [
                'vent.load',
                [
                    'upc-2021',
                    [
                        'main' => [
                            'shower rim=100',
                            'north 40 fall 1/4 / down 40 / north 60 fall 1/4',
                            'socket',
                            ['use' => 'drain'],
                        ],
                        'v' => ['vent off main 2 turn', 'up 90', 'roof', ['size' => '1-1/4']],
                    ],
                ],
                [
                    'upc-2021',
                    [
                        'main' => [
                            'lavatory rim=100',
                            'north 40 fall 1/4 / down 40 / north 60 fall 1/4',
                            'socket',
                            ['use' => 'drain'],
                        ],
                        'v' => ['vent off main 2 turn', 'up 90', 'roof', ['size' => '1-1/4']],
                    ],
                ],
            ],
            ['vent.belowRim', $vented('up 22 / north 40 / up 60', 'roof'), $vented('up 23 / north 40 / up 60', 'roof')],
            [
                'vent.belowRim',
                [
                    'ipc-2021',
                    self::stack() + [
                        'fx' => ['lavatory rim=400', 'north 40 fall 1/4', 'stack 1 1524'],
                        'v' => ['vent off fx 1 500', 'up 20 / north 20', 'stack 1 1030'],
                    ],
                ],
                [
                    'ipc-2021',
                    self::stack() + [
                        'fx' => ['lavatory rim=400', 'north 40 fall 1/4', 'stack 1 1524'],
                        'v' => ['vent off fx 1 500', 'up 30 / north 20', 'stack 1 770'],
                    ],
                ],
            ],
            [
                'vent.rimNotKnown',
                [
                    'ipc-2021',
                    [
                        'main' => [
                            'lavatory',
                            'north 40 fall 1/4 / down 40 / north 60 fall 1/4',
                            'socket',
                            [
                                'use' => 'drain',
                                'outlet' => [
                                    'what' => 'basin',
                                    'kind' => 'fixture',
                                    'fixture' => ['kind' => 'lavatory'],
                                ],
                            ],
                        ],
                        'v' => ['vent off main 2 turn', 'up 40 / north 20 / up 40', 'roof'],
                    ],
                ],
                $vented('up 40 / north 20 / up 40', 'roof'),
            ],
            ['vent.takeoff', $level('left 30 / up 60'), $level('up 90')],
            // A wet vent is a drain, and lies as one.
            ['vent.takeoff', $level('left 30 / up 60'), $levelWet],
            // A stub that nothing runs in is no vent.
            ['vent.takeoff', $level('left 30 / up 60'), $levelStub],
            // What is not laid yet lies nowhere.
            ['vent.takeoff', $level('left 30 / up 60'), $level('')],
            [
                'vent.sag',
                $vented('up 40 / north 30 fall 1/8 / up 30', 'roof'),
                $vented('up 40 / north 30 level / up 30', 'roof'),
            ],
            [
                'vent.sag',
                $vented('up 40 / north 30 fall 0.5 mm/m / up 30', 'roof'),
                $vented('up 40 / north 30 level / up 30', 'roof'),
            ],
            [
                'vent.sag',
                $vented('up 40 / north 20 / down 20 / north 20 / up 40', 'roof'),
                $vented('up 40 / north 20 / up 20 / north 20 / up 40', 'roof'),
            ],
            [
                'vent.terminalLow',
                $vented('up 90', 'roof roof=140 away=5000'),
                $vented('up 90', 'roof roof=160 away=5000'),
            ],
            [
                'vent.terminalNear',
                $vented('up 90', 'roof roof=300 away=3000 below=900'),
                $vented('up 90', 'roof roof=300 away=3000 below=920'),
            ],
            ['vent.terminalMeasure', $vented('up 90', 'roof away=5000'), $vented('up 90', 'roof roof=300 away=5000')],
            [
                'valve.refused',
                ['upc-2021', $valve('up 60')[1]],
                $vented('up 90', 'roof', [], 'lavatory rim=400', 'upc-2021'),
            ],
            [
                'valve.onlyWhere',
                ['npc-2020', $valve('up 60')[1]],
                $vented('up 90', 'roof', [], 'lavatory rim=400', 'npc-2020'),
            ],
            ['valve.low', $valve('up 3 7/8'), $valve('up 4 1/8')],
            // NPC 2.5.9.2: 100 mm over the drain, 3 15/16 in.
            ['valve.low', ['npc-2020', $valve('up 3 3/4')[1]], ['npc-2020', $valve('up 4 1/8')[1]]],
            // NPC table 2.5.7.1: behind a trap of 2 in a vent of 1-1/2, whatever its length.
            [
                'vent.size',
                $vented('up 90', 'roof', ['size' => '1-1/4'], 'lavatory rim=400', 'npc-2020'),
                $vented('up 90', 'roof', ['size' => '1-1/2'], 'lavatory rim=400', 'npc-2020'),
            ],
            // Over three arms it is that of a stack, and stands over the rims.
            ['valve.low', $valveOf(3), $valveOf(2)],
            ['valve.noOpenVent', $valve('up 60'), $valve('up 60', self::stack())],
            [
                'branch.ventTeeOnBack',
                [
                    'upc-2021',
                    [
                        'main' => ['lavatory', 'north 60 fall 1/4', 'socket', ['use' => 'drain']],
                        'v' => ['vent off main 1 700 san-tee', 'up 90', 'roof'],
                    ],
                ],
                [
                    'upc-2021',
                    [
                        'main' => ['lavatory', 'north 60 fall 1/4', 'socket', ['use' => 'drain']],
                        'v' => ['vent off main 1 700', 'up 90', 'roof'],
                    ],
                ],
            ],
        ];
    }

    public function testARunWithoutALegYetIsOfItsOwnSize(): void
    {
        $said = static function (string $size): array {
            $job = CaseJob::of('ipc-2021', self::stack() + ['fx' => ['shower', '', 'stack 1 1500', ['size' => $size]]]);

            return array_column(
                array_merge(...array_column(CaseJob::evaluation($job)['runs'], 'findings')),
                'why',
                'rule',
            );
        };
        self::assertArrayNotHasKey('trap.size', $said('1-1/2'));
        self::assertStringContainsString('the trap is 1-1/4 in, the drain 1-1/4 in', $said('1-1/4')['trap.size']);
    }

    /** @return list<array{string, array<mixed>, array<mixed>}> */
    private static function access(): array
    {
        $turns = static fn (string $from, array $obstacles = [], string $book = 'upc-2021'): array => [
            $book,
            [
                'main' => [
                    $from,
                    'north 200 fall 1/4 / left 400 fall 1/4 / right 45° 900 fall 1/4 / right 45° 200 fall 1/4',
                    'socket',
                    ['size' => '3'],
                ],
            ],
            $obstacles,
        ];
        $long = static fn (string $feet, array $obstacles = []): array => [
            'ipc-2021',
            ['main' => ['cleanout', "north {$feet}' fall 1/4", 'socket', ['size' => '4']]],
            $obstacles,
        ];
        $straight = static fn (string $from, string $inches, string $book = 'ipc-2021'): array => [
            $book,
            ['main' => [$from, "north {$inches} fall 1/4", 'socket', ['size' => '4', 'use' => 'drain']]],
        ];
        $base = static fn (array $obstacles): array => [
            'npc-2020',
            self::stack() + ['fx' => ['lavatory', 'north 30 fall 1/4', 'stack 1 1500']],
            $obstacles,
        ];
        $foot = static fn (float $at): array => [
            'ipc-2021',
            self::stack() + [
                'a' => ['lavatory', 'north 30 fall 1/4', 'stack 1 1500'],
                'b' => ['lavatory', 'east 30 fall 1/4', "stack 2 {$at}"],
            ],
        ];
        $vented = $foot(750.0);
        $vented[1]['b'] = ['vent off stack 2 750', 'up 200', 'roof'];
        $turned = ['b' => ['lavatory', 'east 30 fall 1/4', 'stack 2 turn']];
        $low = static fn (float $at): array => [
            'adh-2015',
            [
                'stack' => [
                    'roof',
                    'down 4000 / north 2000 fall 25 mm/m',
                    'socket',
                    ['size' => '110', 'system' => 'pvcu-soil', 'use' => 'drain'],
                ],
                'fx' => ['lavatory seal=75', 'north 600 fall 20 mm/m', "stack 1 {$at} boss"],
            ],
        ];
        $tall = static fn (float $high, float $at): array => [
            'adh-2015',
            [
                'stack' => [
                    'roof',
                    "down {$high} / north 2000 fall 25 mm/m",
                    'socket',
                    ['size' => '110', 'system' => 'pvcu-soil', 'use' => 'drain'],
                ],
                'top' => ['lavatory seal=75', 'north 600 fall 20 mm/m', 'stack 1 300 boss'],
                'fx' => ['lavatory seal=75', 'north 600 fall 20 mm/m', "stack 1 {$at} boss"],
            ],
        ];
        $cap = static fn (string $length): array => [
            'ipc-2021',
            self::stack() + ['c' => ['cap', "north {$length} fall 1/4", 'stack 1 1500', ['size' => '2']]],
        ];

        return [
            [
                'cleanout.turn',
                $turns('socket'),
                $turns('socket', [['kind' => 'cleanout', 'run' => 'main', 'leg' => 'l3', 'at_mm' => 100]]),
            ],
            ['cleanout.spacing', $long('101'), $long('99')],
            // What no tape shows is not spoken of.
            ['cleanout.spacing', $long('101'), $straight('cleanout', '1200 1/64')],
            // One run that is short says nothing of the next.
            [
                'cleanout.spacing',
                [
                    'ipc-2021',
                    ['short' => ['cleanout', 'north 20 fall 1/4', 'socket', ['size' => '4']]] + $long('101')[1],
                ],
                $long('99'),
            ],
            [
                'cleanout.spacing',
                $long('150'),
                $long('150', [['kind' => 'cleanout', 'run' => 'main', 'leg' => 'l1', 'at_mm' => 22000]]),
            ],
            [
                'cleanout.head',
                ['upc-2021', ['main' => ['cap', 'north 61 fall 1/4', 'socket', ['size' => '3']]]],
                ['upc-2021', ['main' => ['cap', 'north 59 fall 1/4', 'socket', ['size' => '3']]]],
            ],
            ['cleanout.head', $straight('cap', '61', 'upc-2021'), $straight('cap', '60 1/64', 'upc-2021')],
            ['cleanout.head', $straight('cap', '61', 'upc-2021'), $straight('cleanout', '61', 'upc-2021')],
            ['cleanout.head', $straight('cap', '61', 'upc-2021'), $straight('lavatory', '61', 'upc-2021')],
            [
                'cleanout.baseSuggested',
                ['ipc-2021', $base([])[1]],
                [
                    'ipc-2021',
                    ...array_slice(
                        $base([['kind' => 'cleanout', 'run' => 'stack', 'leg' => 'l1', 'at_mm' => 2900]]),
                        1,
                    ),
                ],
            ],
            [
                'cleanout.base',
                $base([]),
                $base([['kind' => 'cleanout', 'run' => 'stack', 'leg' => 'l1', 'at_mm' => 2900]]),
            ],
            ['stack.base', $foot(750.0), $foot(770.0)],
            // A vent lets no water in.
            ['stack.base', $foot(750.0), $vented],
            // What turns in there is no branch over the foot of a stack.
            ['stack.base', $foot(750.0), ['ipc-2021', array_slice($foot(750.0)[1], 0, 1) + $turned]],
            ['stack.lowBranch', $low(3620.0), $low(3590.0)],
            // Over three storeys it stands higher; over five the ground floor stays off it.
            ['stack.lowBranch', $tall(12000, 11310), $tall(12000, 11290)],
            ['stack.groundFloor', $tall(16000, 14000), $tall(16000, 13000)],
            ['stack.groundFloor', $tall(16000, 14000), $tall(12000, 11290)],
            ['end.capped', $cap('10'), [$cap('10')[0], ['fx' => ['lavatory', 'north 10 fall 1/4', 'socket']]]],
            ['end.dead', $cap('25'), $cap('23')],
            ['end.dead', $cap('25'), $cap('24 1/64')],
        ];
    }

    /** @return list<array{string, array<mixed>, array<mixed>}> */
    private static function building(): array
    {
        $through = static fn (
            array $obstacle,
            string $book = 'ipc-2021',
            string $size = '2',
            array $more = [],
        ): array => [
            $book,
            [
                'main' => [
                    'lavatory seal=75',
                    $book === 'adh-2015' ? 'north 3000 fall 20 mm/m' : 'north 120 fall 1/4',
                    $book === 'adh-2015' ? 'gully' : 'socket',
                    ['size' => $size, 'use' => 'drain'] + $more,
                ],
            ],
            [$obstacle + ['run' => 'main', 'leg' => 'l1', 'at_mm' => 600]],
        ];
        $joist = static fn (array $more): array => $through(
            $more + ['kind' => 'joist', 'depth_mm' => 235, 'top_mm' => 118],
        );
        $uk = static fn (array $more): array => $through(
            $more + ['kind' => 'joist', 'depth_mm' => 220, 'top_mm' => 110, 'span_mm' => 4000],
            'adh-2015',
            '40',
        );
        $engineered = static fn (array $more): array => $through(
            $more + ['kind' => 'joist-engineered', 'depth_mm' => 241, 'top_mm' => 120, 'allowed_mm' => 100],
        );
        $canada = static fn (array $more): array => $through(
            $more + ['kind' => 'joist', 'depth_mm' => 286, 'top_mm' => 143],
            'npc-2020',
        );
        $canadaStud = static fn (array $more): array => $through(
            $more + ['kind' => 'stud', 'depth_mm' => 140],
            'npc-2020',
            '1-1/2',
        );
        $stud = static fn (array $more): array => $through(
            $more + ['kind' => 'stud', 'depth_mm' => 139.7],
            'ipc-2021',
            '1-1/2',
        );

        return [
            // 2 in pipe is 60.3 mm across: a hole of 66.7 mm.
            ['joist.hole', $joist(['depth_mm' => 199]), $joist(['depth_mm' => 201])],
            ['joist.edge', $joist(['top_mm' => 83]), $joist(['top_mm' => 85])],
            [
                'joist.edge',
                $joist(['top_mm' => 85, 'every_mm' => 406, 'count' => 2, 'depth_mm' => 168]),
                $joist(['top_mm' => 85, 'every_mm' => 406, 'count' => 2, 'depth_mm' => 235]),
            ],
            ['joist.measure', $through(['kind' => 'joist']), $joist([])],
            ['joist.holeAlong', $uk(['bearing_mm' => 990]), $uk(['bearing_mm' => 1010])],
            [
                'joist.measureAlong',
                $through(['kind' => 'joist', 'depth_mm' => 220, 'top_mm' => 110], 'adh-2015', '40'),
                $uk(['bearing_mm' => 1010]),
            ],
            [
                'joist.notch',
                $joist(['cut' => 'notch', 'top_mm' => 7, 'span_mm' => 3000, 'bearing_mm' => 300]),
                $joist(['cut' => 'notch', 'top_mm' => 5, 'span_mm' => 3000, 'bearing_mm' => 300]),
            ],
            [
                'joist.notchMiddle',
                $joist(['cut' => 'notch', 'top_mm' => 5, 'span_mm' => 3000, 'bearing_mm' => 1010]),
                $joist(['cut' => 'notch', 'top_mm' => 5, 'span_mm' => 3000, 'bearing_mm' => 990]),
            ],
            // NBC 9.23.5: a quarter of the depth, 50 mm at either edge; notches a third deep, half the depth from the
            // bearing; studs keep two thirds, or 40 mm; plates 50 mm. The hole is 66.7 mm, of 1-1/2 pipe 54.6 mm.
            [
                'joist.hole',
                $canada(['depth_mm' => 265, 'top_mm' => 132]),
                $canada(['depth_mm' => 268, 'top_mm' => 134]),
            ],
            ['joist.edge', $canada(['depth_mm' => 286, 'top_mm' => 82]), $canada(['depth_mm' => 286, 'top_mm' => 84])],
            [
                'joist.notchMiddle',
                $canada(['cut' => 'notch', 'top_mm' => 5, 'bearing_mm' => 145]),
                $canada(['cut' => 'notch', 'top_mm' => 5, 'bearing_mm' => 142]),
            ],
            ['stud.hole', $canadaStud(['depth_mm' => 94]), $canadaStud(['depth_mm' => 96])],
            [
                'stud.hole',
                $canadaStud(['depth_mm' => 163, 'bearing' => true]),
                $canadaStud(['depth_mm' => 165, 'bearing' => true]),
            ],
            [
                'plate.cut',
                $canadaStud(['kind' => 'plate', 'depth_mm' => 104]),
                $canadaStud(['kind' => 'plate', 'depth_mm' => 106]),
            ],
            ['joist.flange', $engineered(['top_mm' => 77]), $engineered(['top_mm' => 80])],
            [
                'joist.makerTable',
                $through(['kind' => 'joist-engineered', 'depth_mm' => 241, 'top_mm' => 120]),
                $engineered([]),
            ],
            ['joist.makerHole', $engineered(['allowed_mm' => 66]), $engineered(['allowed_mm' => 67])],
            ['joist.truss', $through(['kind' => 'truss']), $joist([])],
            // 1-1/2 in pipe is 48.3 mm across: a hole of 54.6 mm.
            ['stud.hole', $stud(['depth_mm' => 90]), $stud(['depth_mm' => 92])],
            ['stud.hole', $stud(['depth_mm' => 136, 'bearing' => true]), $stud(['depth_mm' => 137, 'bearing' => true])],
            ['stud.edge', $stud(['top_mm' => 42]), $stud(['top_mm' => 44])],
            ['plate.cut', $stud(['kind' => 'plate', 'depth_mm' => 108]), $stud(['kind' => 'plate', 'depth_mm' => 110])],
            // 1-1/2 in pipe is 48.3 mm across: 24.1 mm from its middle to its outside.
            ['shield.plate', $stud(['top_mm' => 55]), $stud(['top_mm' => 57])],
            ['shield.plate', $stud(['depth_mm' => 109]), $stud(['depth_mm' => 139.7, 'top_mm' => 70])],
            ['shield.plate', $joist(['top_mm' => 61]), $joist(['top_mm' => 63])],
            [
                'shield.plate',
                $joist(['cut' => 'notch', 'top_mm' => 5, 'span_mm' => 3000, 'bearing_mm' => 300]),
                $joist([]),
            ],
            [
                'shield.plate',
                $stud(['top_mm' => 57, 'depth_mm' => 80]),
                $through(['kind' => 'stud', 'depth_mm' => 139.7, 'top_mm' => 57], 'upc-2021', '1-1/2'),
            ],
            [
                'shield.plate',
                $through(['kind' => 'stud', 'depth_mm' => 139.7, 'top_mm' => 48], 'upc-2021', '1-1/2'),
                $through(['kind' => 'stud', 'depth_mm' => 139.7, 'top_mm' => 50], 'upc-2021', '1-1/2'),
            ],
            [
                'shield.plate',
                $stud(['top_mm' => 40]),
                $through(['kind' => 'stud', 'depth_mm' => 139.7, 'top_mm' => 40], 'ipc-2021', '2', [
                    'system' => 'ci-no-hub',
                ]),
            ],
            ['shield.measure', $stud([]), $stud(['top_mm' => 70])],
            // Where the building code's own rules do not stand here, nothing is passed.
            [
                'timber.notJudged',
                $through(['kind' => 'stud', 'depth_mm' => 95, 'top_mm' => 47], 'adh-2015', '32'),
                $stud(['top_mm' => 70]),
            ],
            [
                'timber.notJudged',
                $through(['kind' => 'plate', 'depth_mm' => 95], 'adh-2015', '32'),
                $stud(['kind' => 'plate']),
            ],
            ['timber.notJudged', $uk(['bearing_mm' => 1010]), $joist([])],
            [
                'penetration.open',
                $through(['kind' => 'wall', 'rated' => true]),
                $through(['kind' => 'wall', 'rated' => true, 'sealed' => true]),
            ],
            ['cold.pipe', $through(['kind' => 'cold', 'length_mm' => 400]), $joist([])],
            [
                'cold.trap',
                $through(['kind' => 'cold', 'at_mm' => 50]),
                $through(['kind' => 'cold', 'length_mm' => 400]),
            ],
            [
                'clearance.small',
                $through(['kind' => 'pipe', 'gap_mm' => 25]),
                $through(['kind' => 'pipe', 'gap_mm' => 26]),
            ],
            [
                'slip.hidden',
                [
                    'ipc-2021',
                    [
                        'main' => [
                            'trap-adapter',
                            'north 60 fall 1/4',
                            'socket',
                            ['size' => '1-1/2', 'place' => ['ground' => 'above', 'access' => 'concealed']],
                        ],
                    ],
                ],
                [
                    'ipc-2021',
                    [
                        'main' => [
                            'trap-adapter',
                            'north 60 fall 1/4',
                            'socket',
                            ['size' => '1-1/2', 'place' => ['ground' => 'above', 'access' => 'panel']],
                        ],
                    ],
                ],
            ],
            // One that is passed over hides none that comes after it.
            [
                'slip.hidden',
                [
                    'ipc-2021',
                    [
                        'open' => ['trap-adapter', 'north 60 fall 1/4', 'socket', ['size' => '1-1/2']],
                        'main' => [
                            'trap-adapter',
                            'north 60 fall 1/4',
                            'socket',
                            ['size' => '1-1/2', 'place' => ['ground' => 'above', 'access' => 'concealed']],
                        ],
                    ],
                ],
                ['ipc-2021', ['open' => ['trap-adapter', 'north 60 fall 1/4', 'socket', ['size' => '1-1/2']]]],
            ],
            [
                'trap.kind',
                [
                    'ipc-2021',
                    self::stack() + [
                        'a' => ['lavatory trap=none', 'north 30 fall 1/4', 'stack 1 1200'],
                        'b' => ['lavatory trap=s', 'north 30 fall 1/4', 'stack 1 1800'],
                    ],
                ],
                [
                    'ipc-2021',
                    self::stack() + [
                        'a' => ['lavatory trap=none', 'north 30 fall 1/4', 'stack 1 1200'],
                        'b' => ['lavatory trap=p', 'north 30 fall 1/4', 'stack 1 1800'],
                    ],
                ],
            ],
            // Both fixtures that run into it are counted.
            [
                'vent.madeWet',
                [
                    'ipc-2021',
                    [
                        'main' => [
                            'lavatory',
                            'north 40 fall 1/4 / down 40 / north 60 fall 1/4',
                            'socket',
                            ['use' => 'drain'],
                        ],
                        'v' => ['vent off main 2 turn', 'up 90', 'roof'],
                        'x' => ['lavatory', 'east 20 fall 1/4', 'v 1 1000', ['size' => '1-1/2']],
                        'y' => ['lavatory', 'west 20 fall 1/4', 'v 1 1600', ['size' => '1-1/2']],
                    ],
                ],
                [
                    'ipc-2021',
                    [
                        'main' => [
                            'lavatory',
                            'north 40 fall 1/4 / down 40 / north 60 fall 1/4',
                            'socket',
                            ['use' => 'drain'],
                        ],
                        'v' => ['vent off main 2 turn', 'up 90', 'roof'],
                    ],
                ],
            ],
        ];
    }

    /**
     * @return array<string, array{string, string, string, array<string, mixed>}> an upright pipe from the roof down,
     *     120 in long, and what leads away from its foot
     */
    private static function stack(string $size = '3'): array
    {
        return ['stack' => ['roof', 'down 120 / north 96 fall 1/4', 'socket', ['size' => $size, 'use' => 'drain']]];
    }

    /**
     * @return array<string, array{string, string, string, array<string, mixed>}> kitchen sinks of 2 units each, every
     *     300 mm along a leg
     */
    private static function sinks(int $count, string $leg): array
    {
        $sinks = [];
        for ($i = 1; $i <= $count; $i++) {
            $sinks["k{$i}"] = ['kitchen-sink', 'east 30 fall 1/4', "{$leg} ".(300 + 350 * $i), ['size' => '1-1/2']];
        }

        return $sinks;
    }
}
