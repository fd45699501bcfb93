<?php

declare(strict_types=1);

namespace FallBend\Core\Tests\Reckon;

use FallBend\Core\Catalog\Catalogue;
use FallBend\Core\Input\BadInput;
use FallBend\Core\Reckon\Reckoners;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;

final class ReckonersTest extends TestCase
{
    use Reckons;

    private const BEND = ['first_deg' => 45, 'second_deg' => 45, 'od_mm' => 88.9];

    private const OFFSET = ['offset_mm' => 300, 'rise_mm' => 400, 'bend_deg' => 45, 'take_off_mm' => [45, 45]];

    private const BOOK = ['system' => 'pvc-dwv-40', 'size' => '2', 'rulebook' => 'ipc-2021'];

    /**
     * @return iterable<string, array{string, array<string, mixed>, array<string, mixed>}> reckoner, input, part of the
     *     answer
     */
    public static function examples(): iterable
    {
        yield 'target 60' => [
            'compound-bend',
            self::BEND + ['target_deg' => 60],
            ['roll_deg' => 90.0, 'mark_mm' => 69.8219, 'turn_deg' => 60.0, 'span_deg' => [0.0, 90.0]],
        ];
        yield 'roll 0' => ['compound-bend', self::BEND + ['roll_deg' => 0], ['turn_deg' => 90.0]];
        yield 'roll 180' => ['compound-bend', self::BEND + ['roll_deg' => 180], ['turn_deg' => 0.0]];
        yield 'negative roll' => [
            'compound-bend',
            self::BEND + ['roll_deg' => -90],
            ['turn_deg' => 60.0, 'mark_mm' => -69.8219],
        ];
        yield 'ends of the span' => [
            'compound-bend',
            ['first_deg' => 45, 'second_deg' => 22.5, 'od_mm' => 60.325, 'target_deg' => 67.5],
            ['roll_deg' => 0.0, 'span_deg' => [22.5, 67.5]],
        ];
        yield 'offset' => [
            'rolling-offset',
            self::OFFSET,
            [
                'true_offset_mm' => 500.0,
                'travel_mm' => 707.1068,
                'advance_mm' => 500.0,
                'cut_mm' => 617.1068,
                'roll_from_level_deg' => 53.1301,
            ],
        ];
        yield 'square offset' => [
            'rolling-offset',
            ['bend_deg' => 90] + self::OFFSET,
            ['travel_mm' => 500.0, 'advance_mm' => 0.0],
        ];
        yield 'fall' => [
            'fall',
            ['length_mm' => 3048, 'fall_mm_per_m' => 20.833],
            ['drop_mm' => 63.499, 'fall_in_per_ft' => 0.25, 'angle_deg' => 1.1935, 'percent' => 2.0833],
        ];
        yield 'length from drop and fall' => [
            'fall',
            ['drop_mm' => 63.5, 'fall_mm_per_m' => 1000 / 48],
            ['length_mm' => 3048.0],
        ];
        yield 'fall from length and drop' => [
            'fall',
            ['length_mm' => 3048, 'drop_mm' => 63.5] + self::BOOK,
            ['fall_mm_per_m' => 20.8333],
        ];
        yield 'half full' => [
            'flow',
            ['id_mm' => 77.9, 'fall_mm_per_m' => 20.833, 'fill' => 0.5, 'roughness_n' => 0.009],
            ['velocity_m_per_s' => 1.1607],
        ];
        yield 'full bore' => [
            'flow',
            ['id_mm' => 77.9, 'fall_mm_per_m' => 20.833, 'fill' => 1, 'roughness_n' => 0.009],
            ['velocity_m_per_s' => 1.1607, 'discharge_l_per_s' => 5.5321, 'full_bore_l_per_s' => 5.5321],
        ];
        yield 'dry' => [
            'flow',
            ['id_mm' => 77.9, 'fall_mm_per_m' => 20.833, 'fill' => 0],
            ['discharge_l_per_s' => 0.0],
        ];
        yield 'an arm' => [
            'trap-arm',
            self::BOOK + ['length_mm' => 2000, 'fall_mm_per_m' => 20],
            ['least_mm' => 101.6, 'most_mm' => 2438.4, 'drop_mm' => 40.0],
        ];
        yield 'an arm that is too long' => [
            'trap-arm',
            self::BOOK + ['length_mm' => 2500, 'fall_mm_per_m' => 20.8, 'vent_opening_mm' => 50],
            ['opening_above_weir_mm' => -2.0],
        ];
        yield 'a basin in millimetres' => [
            'trap-arm',
            [
                'system' => 'pvcu-solvent',
                'size' => '32',
                'rulebook' => 'adh-2015',
                'fixture' => 'lavatory',
                'length_mm' => 1700,
                'fall_mm_per_m' => 20,
            ],
            ['most_mm' => 1700.0, 'drop_mm' => 34.0],
        ];
        yield 'level' => ['fall', ['length_mm' => 3048, 'drop_mm' => 0], ['fall_mm_per_m' => 0.0]];
    }

    /**
     * @param array<string, mixed> $input
     * @param array<string, mixed> $expected
     */
    #[DataProvider('examples')]
    public function testWorkedExamples(string $name, array $input, array $expected): void
    {
        $answer = self::reckon($name, $input);
        foreach ($expected as $key => $value) {
            self::assertEqualsWithDelta($value, $answer[$key], 0.0002, $key);
        }
        self::assertKeeps($name, 'input', $input);
        self::assertKeeps($name, 'output', $answer);
    }

    /**
     * @return iterable<string, array{string, array<string, mixed>}> reckoner, input whose answer must keep its schema
     */
    public static function kept(): iterable
    {
        $hub = ['system' => 'ci-hub-service', 'size' => '2', 'end' => 'hub', 'fixed' => true];
        yield 'joint' => [
            'joint',
            [
                'a' => ['system' => 'pvc-dwv-40', 'size' => '2', 'end' => 'plain'],
                'b' => $hub,
                'rulebook' => 'ipc-2021',
                'ground' => 'buried',
                'access' => 'open',
                'air_c' => 2,
                'rh_percent' => 80,
                'wet' => true,
            ],
        ];
        yield 'joint that nothing makes' => [
            'joint',
            [
                'a' => ['system' => 'cpvc-cts', 'size' => '2', 'end' => 'plain', 'od_mm' => 54],
                'b' => $hub,
                'rulebook' => 'npc-2020',
                'at_drain_sewer_line' => true,
            ],
        ];
        yield 'joint in millimetres' => [
            'joint',
            [
                'a' => ['system' => 'pp-push-fit', 'size' => '32', 'end' => 'plain'],
                'b' => ['system' => 'pvcu-solvent', 'size' => '32', 'end' => 'plain'],
                'rulebook' => 'adh-2015',
            ],
        ];
        yield 'cement' => [
            'cement',
            [
                'a' => 'pvc-dwv-40',
                'b' => 'pvc-dwv-40',
                'size' => '3',
                'dry_fit_fraction' => 0.5,
                'air_c' => 4,
                'surface_c' => 3,
                'rh_percent' => 70,
                'wet' => false,
                'rulebook' => 'upc-2021',
                'joints' => [['size' => '3', 'count' => 12]],
            ],
        ];
        yield 'cement that does not weld' => [
            'cement',
            ['a' => 'pp-push-fit', 'b' => 'abs-solvent', 'size' => '32', 'joints' => 4],
        ];
        $at = static fn (array $at, array $along, string $end = 'hub', string $size = '2'): array => [
            'at' => $at,
            'along' => $along,
            'system' => 'pvc-dwv-40',
            'size' => $size,
            'end' => $end,
        ];
        $push = static fn (string $id, string $a, string $b, array $more = []): array => $more + [
            'id' => $id,
            'a' => $a,
            'b' => $b,
            'axis' => [1, 0, 0],
            'depth_mm' => 40,
            'kind' => 'push',
        ];
        yield 'will-it-go' => [
            'will-it-go',
            [
                'pieces' => ['stub', 'bend', 'pipe'],
                'joints' => [$push('1', 'stub', 'bend'), $push('2', 'bend', 'pipe')],
                'fixed' => ['stub'],
            ],
        ];
        yield 'will-it-go that does not' => [
            'will-it-go',
            [
                'pieces' => ['up', 'tee', 'down'],
                'joints' => [$push('1', 'up', 'tee'), $push('2', 'tee', 'down', ['slide_room_mm' => 60])],
                'fixed' => ['up', 'down'],
            ],
        ];
        yield 'closing-gap' => [
            'closing-gap',
            [
                'distribution' => 'uniform',
                'shared_mm' => 0.3,
                'chain' => [
                    ['what' => 'A', 'length_mm' => 900, 'reading_mm' => 0.8, 'cutting_mm' => 1],
                    ['length_mm' => 400, 'reading_mm' => 0.8, 'cutting_mm' => 1],
                ],
                'joints' => [
                    ['id' => '3', 'short_mm' => 0.5, 'long_mm' => 0.5],
                    ['id' => '5', 'short_mm' => 6, 'long_mm' => 6],
                ],
            ],
        ];
        yield 'cut-stock' => [
            'cut-stock',
            [
                'stock' => [
                    ['length_mm' => 3048, 'price' => 12.5],
                    ['length_mm' => 1200, 'available' => 1, 'price' => 0],
                ],
                'kerf_mm' => 3,
                'parts' => [['tag' => 'A', 'length_mm' => 1500, 'count' => 2], ['tag' => 'B', 'length_mm' => 1199]],
                'objective' => 'price',
                'seconds' => 1,
            ],
        ];
        yield 'cut-stock of too little' => [
            'cut-stock',
            [
                'stock' => [['length_mm' => 3048, 'available' => 1]],
                'kerf_mm' => 0,
                'parts' => [['tag' => 'A', 'length_mm' => 3000, 'count' => 2], ['tag' => 'B', 'length_mm' => 4000]],
            ],
        ];
        yield 'sag' => [
            'sag',
            [
                'system' => 'abs-dwv-40',
                'size' => '2',
                'span_mm' => 1574.8,
                'fill' => 1,
                'contents_c' => 20,
                'duration' => 'years',
                'ends' => 'continuous',
                'fall_mm_per_m' => 20.83,
            ],
        ];
        yield 'sag that nobody knows' => [
            'sag',
            [
                'system' => 'clay-c700',
                'size' => '4',
                'span_mm' => 1000,
                'fill' => 0.5,
                'duration' => 'short',
                'ends' => 'end',
                'fall_mm_per_m' => 10,
            ],
        ];
        yield 'supports' => [
            'supports',
            [
                'legs' => [
                    [
                        'length_mm' => 3000,
                        'way' => 'level',
                        'system' => 'pvc-dwv-40',
                        'size' => '2',
                        'contents_c' => 65,
                        'joints_at_mm' => [900, 930],
                        'heavy_at_mm' => [1500],
                    ],
                    [
                        'length_mm' => 2000,
                        'way' => 'down',
                        'system' => 'pp-push-fit',
                        'size' => '32',
                        'bend_at_ends' => false,
                    ],
                ],
                'rulebook' => 'upc-2021',
                'joists' => ['spacing_mm' => 406.4, 'offset_mm' => 100],
            ],
        ];
        yield 'closing-gap of nothing' => ['closing-gap', ['distribution' => 'normal', 'chain' => [], 'joints' => []]];
        $side = ['slide_room_mm' => 200, 'insertion_mm' => 26, 'fixed' => true];
        yield 'cut-in' => [
            'cut-in',
            [
                'pipe' => ['system' => 'ci-no-hub', 'size' => '4', 'length_mm' => 3000],
                'fitting' => ['system' => 'pvc-dwv-40', 'row' => 'combo/4x3'],
                'centre_at_mm' => 1500,
                'upstream' => $side,
                'downstream' => ['slide_room_mm' => 0, 'coupling' => 'caulked'],
                'kerf_mm' => 3,
                'rulebook' => 'upc-2021',
            ],
        ];
        yield 'trap-fit' => [
            'trap-fit',
            [
                'fixture' => 'kitchen-sink',
                'rulebook' => 'adh-2015',
                'tailpiece' => ['at' => [0, 0, 500], 'size' => '40', 'length_mm' => 100],
                'outlet' => [
                    'at' => [0, 250, 380],
                    'along' => [0, 1, 0],
                    'system' => 'pvcu-solvent',
                    'size' => '40',
                    'depth_mm' => 30,
                ],
                'trap' => [
                    'pattern' => 'bottle',
                    'size' => '40',
                    'tall_mm' => 95,
                    'reach_mm' => 0,
                    'elbow_mm' => 25,
                    'seal_mm' => 75,
                    'adjust_mm' => 20,
                ],
                'cabinet_floor_mm' => 100,
            ],
        ];
        yield 'trap-fit that nobody measured' => [
            'trap-fit',
            [
                'fixture' => 'lavatory',
                'rulebook' => 'upc-2021',
                'tailpiece' => ['at' => [0, 0, 500], 'size' => '1-1/4', 'length_mm' => 100],
                'outlet' => ['at' => [0, 250, 380], 'along' => [0, 1, 0], 'system' => 'pvc-dwv-40', 'size' => '1-1/2'],
                'trap' => ['pattern' => 'p', 'size' => '1-1/4'],
            ],
        ];
        yield 'make-up' => [
            'make-up',
            [
                'from' => $at([0, 0, 0], [0, 1, -0.02]),
                'to' => $at([500, 1500, -60], [0, 1, -0.02]),
                'fall_mm_per_m' => ['least' => 20],
                'clearance_mm' => 10,
                'obstacles' => [['min' => [900, 0, 0], 'max' => [1000, 100, 100], 'what' => 'post']],
                'wall_headings_deg' => [0, 90],
            ],
        ];
        yield 'make-up of two sizes, from a cut face, with little effort' => [
            'make-up',
            [
                'from' => $at([0, 0, 0], [0, 1, 0], 'plain', '3'),
                'to' => $at([400, 900, -300], [1, 0, 0]),
                'max_bends' => 4,
                'effort' => 500,
            ],
        ];
        yield 'make-up that nothing makes' => [
            'make-up',
            [
                'from' => $at([0, 0, 0], [0, 1, 0]),
                'to' => $at([0, 300, 20], [0, 1, 0]),
                'bends_deg' => [45],
                'max_bends' => 2,
            ],
        ];
        yield 'trap-seal without a vent' => [
            'trap-seal',
            [
                'bore_mm' => 40.9,
                'fall_mm_per_m' => 20.8,
                'length_mm' => 2400,
                'seal_mm' => 50,
                'flow_l_per_s' => 1.1,
                'volume_l' => 80,
                'vent' => 'none',
                'rulebook' => 'ipc-2021',
            ],
        ];
        yield 'trap-seal with an air valve' => [
            'trap-seal',
            [
                'bore_mm' => 36,
                'fall_mm_per_m' => 44,
                'length_mm' => 1700,
                'seal_mm' => 75,
                'flow_l_per_s' => 0.6,
                'volume_l' => 6,
                'vent' => 'valve',
                'vent_at_mm' => 900,
                'vent_bore_mm' => 36,
                'vent_length_mm' => 600,
                'rulebook' => 'adh-2015',
            ],
        ];
        yield 'identify' => [
            'identify',
            [
                'circumference_mm' => 346,
                'reading_error_mm' => 3.2,
                'magnet' => true,
                'wall_mm' => 4.8,
                'colour' => 'painted',
                'print' => '',
                'joint_seen' => 'none',
                'region' => 'us',
            ],
        ];
        yield 'identify nothing like it' => ['identify', ['od_mm' => 700, 'reading_error_mm' => 0]];
    }

    /** @param array<string, mixed> $input */
    #[DataProvider('kept')]
    public function testAnswersKeepTheirSchemas(string $name, array $input): void
    {
        $answer = self::reckon($name, $input);
        self::assertKeeps($name, 'input', $input);
        self::assertKeeps($name, 'output', $answer);
        $isBare = ($input['od_mm'] ?? 0) === 700 || in_array($name, ['will-it-go', 'closing-gap', 'cut-stock'], true);
        self::assertSame(
            ! $isBare,
            $answer['sources'] !== [],
            'only what is like no pipe, and what is plain geometry, rests on no row',
        );
    }

    /** @return iterable<string, array{string, array<string, mixed>, string}> reckoner, input, field */
    public static function badInputs(): iterable
    {
        yield 'missing' => ['compound-bend', ['first_deg' => 45], 'second_deg'];
        yield 'surplus' => ['compound-bend', self::BEND + ['target_deg' => 60, 'x' => 1], 'x'];
        yield 'text for a number' => [
            'compound-bend',
            ['first_deg' => '45'] + self::BEND + ['target_deg' => 60],
            'first_deg',
        ];
        yield 'out of range' => [
            'compound-bend',
            ['first_deg' => 200] + self::BEND + ['target_deg' => 60],
            'first_deg',
        ];
        yield 'not finite' => ['compound-bend', ['first_deg' => INF] + self::BEND + ['target_deg' => 60], 'first_deg'];
        yield 'neither target nor roll' => ['compound-bend', self::BEND, 'target_deg'];
        yield 'both' => ['compound-bend', self::BEND + ['target_deg' => 60, 'roll_deg' => 1], 'target_deg'];
        yield 'outside the span' => ['compound-bend', self::BEND + ['target_deg' => 91], 'target_deg'];
        yield 'one take-off' => ['rolling-offset', ['take_off_mm' => [45]] + self::OFFSET, 'take_off_mm'];
        yield 'take-off is text' => ['rolling-offset', ['take_off_mm' => [45, 'x']] + self::OFFSET, 'take_off_mm.1'];
        yield 'no offset at all' => ['rolling-offset', ['offset_mm' => 0, 'rise_mm' => 0] + self::OFFSET, 'offset_mm'];
        yield 'all three' => ['fall', ['length_mm' => 1, 'drop_mm' => 1, 'fall_mm_per_m' => 1], 'length_mm'];
        yield 'one of three' => ['fall', ['length_mm' => 1], 'length_mm'];
        yield 'level, length wanted' => ['fall', ['drop_mm' => 1, 'fall_mm_per_m' => 0], 'fall_mm_per_m'];
        yield 'size without book' => [
            'fall',
            ['length_mm' => 1, 'drop_mm' => 1, 'system' => 'pvc-dwv-40', 'size' => '2'],
            'rulebook',
        ];
        yield 'unknown system' => [
            'fall',
            ['length_mm' => 1, 'drop_mm' => 1, 'system' => 'lead'] + self::BOOK,
            'system',
        ];
        yield 'unknown override' => [
            'fall',
            [
                'length_mm' => 1,
                'drop_mm' => 1,
                'overrides' => ['rulebook' => [['rulebook' => 'ipc-2021', 'threshold' => 'x', 'value' => 1]]],
            ] + self::BOOK,
            'overrides.rulebook.0.threshold',
        ];
        $end = ['system' => 'pvc-dwv-40', 'size' => '2', 'end' => 'plain'];
        yield 'joint without rulebook' => ['joint', ['a' => $end, 'b' => $end], 'rulebook'];
        yield 'joint of one end' => ['joint', ['a' => $end, 'rulebook' => 'ipc-2021'], 'b'];
        yield 'size of another system' => [
            'joint',
            ['a' => ['size' => '110'] + $end, 'b' => $end, 'rulebook' => 'ipc-2021'],
            'a.size',
        ];
        yield 'unknown end' => [
            'joint',
            ['a' => $end, 'b' => ['end' => 'funnel'] + $end, 'rulebook' => 'ipc-2021'],
            'b.end',
        ];
        yield 'unknown ground' => [
            'joint',
            ['a' => $end, 'b' => $end, 'rulebook' => 'ipc-2021', 'ground' => 'sea'],
            'ground',
        ];
        yield 'wet is a word' => ['joint', ['a' => $end, 'b' => $end, 'rulebook' => 'ipc-2021', 'wet' => 'yes'], 'wet'];
        yield 'surplus in an end' => [
            'joint',
            ['a' => $end + ['x' => 1], 'b' => $end, 'rulebook' => 'ipc-2021'],
            'a.x',
        ];
        yield 'cement for no size' => ['cement', ['a' => 'pvc-dwv-40', 'b' => 'pvc-dwv-40', 'size' => '9'], 'size'];
        yield 'dry fit over one' => [
            'cement',
            ['a' => 'pvc-dwv-40', 'b' => 'pvc-dwv-40', 'size' => '2', 'dry_fit_fraction' => 1.2],
            'dry_fit_fraction',
        ];
        yield 'joints as text' => [
            'cement',
            ['a' => 'pvc-dwv-40', 'b' => 'pvc-dwv-40', 'size' => '2', 'joints' => 'many'],
            'joints',
        ];
        yield 'two readings' => [
            'identify',
            ['od_mm' => 50, 'circumference_mm' => 150, 'reading_error_mm' => 1],
            'od_mm',
        ];
        yield 'no reading' => ['identify', ['reading_error_mm' => 1, 'magnet' => true], 'od_mm'];
        yield 'no error' => ['identify', ['od_mm' => 50], 'reading_error_mm'];
        yield 'unknown colour' => ['identify', ['od_mm' => 50, 'reading_error_mm' => 1, 'colour' => 'mauve'], 'colour'];
        $open = ['at' => [0, 0, 0], 'along' => [0, 1, 0], 'system' => 'pvc-dwv-40', 'size' => '2', 'end' => 'hub'];
        yield 'make-up from nowhere' => ['make-up', ['to' => $open], 'from'];
        yield 'make-up along nothing' => [
            'make-up',
            ['from' => ['along' => [0, 0, 0]] + $open, 'to' => $open],
            'from.along',
        ];
        yield 'make-up of two numbers' => ['make-up', ['from' => ['at' => [0, 0]] + $open, 'to' => $open], 'from.at'];
        yield 'make-up at a word' => ['make-up', ['from' => ['at' => [0, 'x', 0]] + $open, 'to' => $open], 'from.at.1'];
        yield 'make-up in what has no bends' => [
            'make-up',
            ['from' => ['system' => 'clay-c700', 'size' => '4'] + $open, 'to' => $open],
            'from.size',
        ];
        yield 'make-up with bends that there are not' => [
            'make-up',
            ['from' => $open, 'to' => $open, 'bends_deg' => [33]],
            'bends_deg',
        ];
        yield 'make-up with five bends' => ['make-up', ['from' => $open, 'to' => $open, 'max_bends' => 5], 'max_bends'];
        yield 'make-up round a box inside out' => [
            'make-up',
            ['from' => $open, 'to' => $open, 'obstacles' => [['min' => [0, 0, 9], 'max' => [9, 9, 0]]]],
            'obstacles.0.max',
        ];
        $push = ['id' => '1', 'a' => 'x', 'b' => 'y', 'axis' => [1, 0, 0], 'depth_mm' => 40, 'kind' => 'push'];
        yield 'will-it-go with a piece twice' => [
            'will-it-go',
            ['pieces' => ['x', 'x'], 'joints' => [], 'fixed' => []],
            'pieces.1',
        ];
        yield 'will-it-go of a piece to itself' => [
            'will-it-go',
            ['pieces' => ['x', 'y'], 'joints' => [['b' => 'x'] + $push], 'fixed' => []],
            'joints.0.b',
        ];
        yield 'will-it-go of a joint twice' => [
            'will-it-go',
            ['pieces' => ['x', 'y'], 'joints' => [$push, $push], 'fixed' => []],
            'joints.1.id',
        ];
        yield 'will-it-go along nothing' => [
            'will-it-go',
            ['pieces' => ['x', 'y'], 'joints' => [['axis' => [0, 0, 0]] + $push], 'fixed' => []],
            'joints.0.axis',
        ];
        yield 'will-it-go fixed to nothing' => [
            'will-it-go',
            ['pieces' => ['x', 'y'], 'joints' => [$push], 'fixed' => ['z']],
            'fixed.0',
        ];
        yield 'cut-stock of no stick' => ['cut-stock', ['stock' => [], 'kerf_mm' => 0, 'parts' => []], 'stock'];
        yield 'cut-stock with a part of no length' => [
            'cut-stock',
            ['stock' => [['length_mm' => 3048]], 'kerf_mm' => 0, 'parts' => [['tag' => 'A', 'length_mm' => 0]]],
            'parts.0.length_mm',
        ];
        yield 'supports with a joint beside the leg' => [
            'supports',
            [
                'legs' => [
                    [
                        'length_mm' => 300,
                        'way' => 'level',
                        'system' => 'pvc-dwv-40',
                        'size' => '2',
                        'joints_at_mm' => [301],
                    ],
                ],
                'rulebook' => 'upc-2021',
            ],
            'legs.0.joints_at_mm.0',
        ];
        yield 'sag of nothing' => [
            'sag',
            [
                'system' => 'abs-dwv-40',
                'size' => '2',
                'span_mm' => 0,
                'fill' => 1,
                'duration' => 'years',
                'ends' => 'simple',
                'fall_mm_per_m' => 20,
            ],
            'span_mm',
        ];
        yield 'closing-gap of no distribution' => ['closing-gap', ['chain' => [], 'joints' => []], 'distribution'];
        yield 'closing-gap with an error below nothing' => [
            'closing-gap',
            [
                'distribution' => 'normal',
                'chain' => [['length_mm' => 1, 'reading_mm' => -1, 'cutting_mm' => 1]],
                'joints' => [],
            ],
            'chain.0.reading_mm',
        ];
        yield 'unknown reckoner' => ['guess', [], 'name'];
    }

    /** @param array<string, mixed> $input */
    #[DataProvider('badInputs')]
    public function testBadInputNamesItsField(string $name, array $input, string $field): void
    {
        try {
            self::reckon($name, $input);
            self::fail('was taken');
        } catch (BadInput $bad) {
            self::assertSame($field, $bad->field);
            self::assertSame(['error'], array_keys($bad->toArray()));
        }
    }

    public function testTextThatIsNotJsonIsBadInput(): void
    {
        $this->expectException(BadInput::class);
        self::reckoners()->reckonJson('fall', '{"length_mm":');
    }

    private static function reckoners(): Reckoners
    {
        return new Reckoners(Catalogue::shipped());
    }
}
