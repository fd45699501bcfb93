<?php

declare(strict_types=1);

namespace FallBend\Core\Tests\Joining;

use FallBend\Core\Catalog\Catalogue;
use FallBend\Core\Reckon\Reckoners;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;

/** The steps of every method carry the particulars that the method stands or falls with. */
final class InstructionCardTest extends TestCase
{
    /**
     * @return iterable<string, array{array<string, mixed>, list<string>, list<string>}> input of the reckoner, words
     *     that the steps say, words of the cautions
     */
    public static function cards(): iterable
    {
        $two = static fn (
            string $a,
            string $sizeA,
            string $endA,
            string $b,
            string $sizeB,
            string $endB,
            array $more = [],
        ): array => [
            'a' => ['system' => $a, 'size' => $sizeA, 'end' => $endA],
            'b' => ['system' => $b, 'size' => $sizeB, 'end' => $endB],
        ] +
            $more + ['rulebook' => 'upc-2021'];
        yield 'solvent-pvc' => [
            $two('pvc-dwv-40', '2', 'plain', 'pvc-dwv-40', '2', 'solvent-socket'),
            [
                'Mark 3/4 in from the end',
                'third to two thirds',
                'Tinted PVC primer',
                'pipe, socket, pipe again',
                'quarter turn',
                'Hold 30 s',
                'Do not move it for 30 min',
            ],
            ['no flame', 'compressed air'],
        ];
        yield 'solvent-abs' => [
            $two('abs-dwv-40', '3', 'plain', 'abs-dwv-40', '3', 'solvent-socket'),
            ['No primer on ABS', 'ASTM D2235'],
            ['no flame'],
        ];
        yield 'solvent-transition' => [
            $two('abs-dwv-40', '4', 'plain', 'pvc-dwv-40', '4', 'solvent-socket', ['at_drain_sewer_line' => true]),
            ['PVC side only', 'ASTM D3138', 'Hold 60 s'],
            ['no flame'],
        ];
        yield 'solvent-uk-waste' => [
            $two('abs-solvent', '40', 'plain', 'pvcu-solvent', '40', 'solvent-socket', ['rulebook' => 'adh-2015']),
            ['cleaning fluid', 'name both plastics', '26 mm'],
            ['no flame'],
        ];
        yield 'no-hub-shielded' => [
            $two('ci-no-hub', '4', 'plain', 'ci-no-hub', '4', 'plain'),
            ['1 in from the end on both', 'stop of 1/8 in', 'Snug all bands by turns', '60 in·lb', 'caught nowhere'],
            ['cracks old iron', 'hang first'],
        ];
        yield 'shielded-transition' => [
            $two('pvc-dwv-40', '2', 'plain', 'ci-hub-service', '2', 'plain'),
            ['must name both pipes', 'Measure the sleeve', '60 in·lb'],
            ['cracks old iron'],
        ];
        yield 'flexible-unshielded' => [
            $two('pvc-dwv-40', '4', 'plain', 'pvc-sewer-sdr35', '4', 'plain', ['ground' => 'buried']),
            ['bell hole', 'bushing', 'a clamp misses the pipe', 'driver can get at them'],
            ['located before you dig'],
        ];
        yield 'hub-gasket' => [
            $two('pvc-dwv-40', '2', 'plain', 'ci-hub-service', '2', 'hub'),
            ['About 1/8 in', '2 1/2 in from the end', 'second stop', 'lever', 'cut it to height'],
            ['Never petroleum grease'],
        ];
        yield 'hub-adapter' => [
            $two('pvc-dwv-40', '2', 'plain', 'ci-hub-service', '2', 'hub'),
            ['class of the hub', 'before anything is cemented'],
            ['Old lead'],
        ];
        yield 'caulked' => [
            $two('ci-hub-service', '4', 'spigot', 'ci-hub-service', '4', 'hub'),
            ['oakum', '4 lb', '1 in deep', '1/8 in below'],
            ['Water in it explodes'],
        ];
        yield 'caulked, plastic' => [
            $two('pvc-dwv-40', '4', 'plain', 'ci-hub-service', '4', 'hub'),
            ['Lead never meets bare plastic', 'packed cold'],
            ['ruins it'],
        ];
        yield 'bell-gasket' => [
            $two('pvc-sewer-sdr35', '4', 'spigot', 'pvc-sewer-sdr35', '4', 'bell', ['ground' => 'buried']),
            ['About 15 degrees', 'homing mark', 'ring has not rolled'],
            ['petroleum'],
        ];
        yield 'threaded' => [
            $two('pvc-dwv-40', '1-1/2', 'male-thread', 'steel-galvanised', '1-1/2', 'female-thread'),
            ['Tape three turns', 'clockwise', 'must name the plastic', 'one to two turns', '11/16 in'],
            ['cracks later'],
        ];
        yield 'slip-joint' => [
            $two('tubular-brass', '1-1/2', 'plain', 'pvc-dwv-40', '1-1/2', 'slip-nut', ['access' => 'panel']),
            ['its bevel toward the joint', 'quarter to a half turn', 'opening of at least 12 in'],
            ['drain openers'],
        ];
        yield 'universal-compression' => [
            $two('pp-push-fit', '32', 'plain', 'pvcu-solvent', '32', 'plain', ['rulebook' => 'adh-2015']),
            ['taper toward the coupling', 'back 3 mm', 'Hand-tight'],
            [],
        ];
        yield 'push-fit' => [
            $two('pvcu-soil', '110', 'plain', 'pvcu-soil', '110', 'ring-socket', ['rulebook' => 'adh-2015']),
            ['chamfer', 'Silicone', 'back 10 mm', 'never grease'],
            [],
        ];
        yield 'grooved-mechanical' => [
            $two('pp-acid-waste', '2', 'grooved', 'pp-acid-waste', '2', 'grooved'),
            ['two passes', 'right way round', 'free of hydrocarbons', 'quarter to a half turn', 'Finish each nut'],
            ['Acid waste'],
        ];
        yield 'flange-seal' => [
            $two('pvc-dwv-40', '3', 'flange', 'pvc-dwv-40', '3', 'flange'),
            ['by the surface', 'putty or rubber'],
            ['stains stone'],
        ];
        yield 'soldered-drainage' => [
            $two('copper-dwv', '2', 'plain', 'copper-dwv', '2', 'hub'),
            ['bright', 'Flux', 'Thin wall'],
            ['fire watch'],
        ];
    }

    /**
     * @param array<string, mixed> $input
     * @param list<string> $said
     * @param list<string> $cautions
     */
    #[DataProvider('cards')]
    public function testTheStepsSayWhatMatters(array $input, array $said, array $cautions): void
    {
        $answer = (new Reckoners(Catalogue::shipped()))->reckon('joint', $input);
        $key = explode(',', (string) $this->dataName())[0];
        $methods = array_column($answer['methods'], null, 'method');
        self::assertArrayHasKey($key, $methods);
        $steps = implode(
            "\n",
            array_map(static fn (array $step): string => "{$step['do']}: {$step['say']}", $methods[$key]['steps']),
        );
        foreach ($said as $words) {
            self::assertStringContainsStringIgnoringCase($words, $steps);
        }
        foreach ($cautions as $words) {
            self::assertStringContainsString($words, implode("\n", $methods[$key]['cautions']));
        }
        self::assertStringNotContainsString('{', $steps);
    }

    public function testWhatIsNotKnownIsNamedAndNotFilledIn(): void
    {
        $answer = (new Reckoners(Catalogue::shipped()))->reckon('joint', [
            'a' => ['system' => 'pvc-dwv-40', 'size' => '2', 'end' => 'plain'],
            'b' => ['system' => 'ci-hub-service', 'size' => '2', 'end' => 'hub'],
            'rulebook' => 'ipc-2021',
        ]);
        self::assertSame(['gap_mm'], $answer['methods'][0]['unknown']);
        self::assertNull($answer['methods'][0]['reach_mm']);
        $measured = (new Reckoners(Catalogue::shipped()))->reckon('joint', [
            'a' => ['system' => 'pvc-dwv-40', 'size' => '2', 'end' => 'plain'],
            'b' => ['system' => 'ci-hub-service', 'size' => '2', 'end' => 'hub'],
            'rulebook' => 'ipc-2021',
            'overrides' => [
                'catalogue' => [
                    ['table' => 'adapters', 'row' => 'hub-adapter/service/2', 'field' => 'body_mm', 'value' => 30],
                ],
            ],
        ]);
        self::assertEqualsWithDelta(
            -30.0,
            $measured['methods'][0]['reach_mm'],
            1e-9,
            'the pipe ends 30 mm above the rim',
        );
        self::assertContains('measured', array_column($measured['sources'], 'status'));
    }

    /**
     * 1-1/2 PVC is 48.3 mm outside. Of the two setting tables the slower: 30 min warm, 120 cool, 360 cold (the other
     * has 5, 10, 15); it is cured no sooner than it is set (the chart has 30, 45, 60 min). Above 90 °F it has to be
     * joined within 5 s in place of 20.
     */
    public function testWhatCementTakesIsSaidByTemperature(): void
    {
        $asked = static fn (array $more): array => array_column(
            (new Reckoners(Catalogue::shipped()))->reckon('joint', [
                'a' => ['system' => 'pvc-dwv-40', 'size' => '1-1/2', 'end' => 'plain'],
                'b' => ['system' => 'pvc-dwv-40', 'size' => '1-1/2', 'end' => 'solvent-socket'],
                'rulebook' => 'ipc-2021',
                ...$more,
            ])['methods'],
            null,
            'method',
        )['solvent-pvc']['by_temperature'];
        $dry = $asked([]);
        self::assertSame(
            ['0 °F to 40 °F', '40 °F to 60 °F', '60 °F to 90 °F', '90 °F to 110 °F'],
            array_column($dry, 'said'),
        );
        self::assertSame([20.0, 20.0, 20.0, 5.0], array_column($dry, 'working_s'));
        self::assertSame([360.0, 120.0, 30.0, 30.0], array_column($dry, 'set_min'));
        self::assertSame([360.0, 120.0, 30.0, 30.0], array_column($dry, 'cure_min'));
        self::assertSame([false, false, false, false], array_column($dry, 'now'));
        $damp = $asked(['air_c' => 10, 'rh_percent' => 75]);
        self::assertSame([540.0, 180.0, 45.0, 45.0], array_column($damp, 'set_min'), 'half again where it is damp');
        self::assertSame([false, true, false, false], array_column($damp, 'now'));
    }

    /**
     * Where there is fresh cement in a joint, whatever else there is, water waits for it.
     *
     * @param array<string, mixed> $input
     */
    #[DataProvider('withCement')]
    public function testWaterWaitsForCementThatIsInAnAdapterToo(array $input, string $method): void
    {
        $card = array_column(
            (new Reckoners(Catalogue::shipped()))->reckon('joint', $input + ['rulebook' => 'ipc-2021'])['methods'],
            null,
            'method',
        )[$method];
        self::assertSame('after-cure', $card['times']['first_water']);
        self::assertGreaterThanOrEqual(30, $card['times']['cure_min']);
        self::assertStringContainsString('Fill it with water after', implode(' ', array_column($card['steps'], 'say')));
        self::assertContains('cements', array_column($card['parts'], 'table'), 'the can is on the list');
    }

    /** @return iterable<string, array{array<string, mixed>, string}> */
    public static function withCement(): iterable
    {
        $plain = static fn (string $system, string $size): array => [
            'system' => $system,
            'size' => $size,
            'end' => 'plain',
        ];
        $steel = ['system' => 'steel-galvanised', 'size' => '1-1/2', 'end' => 'female-thread'];
        yield 'plastic pipe into a metal thread' => [['a' => $plain('pvc-dwv-40', '1-1/2'), 'b' => $steel], 'threaded'];
        yield 'the other way round' => [['a' => $steel, 'b' => $plain('abs-dwv-40', '1-1/2')], 'threaded'];
        $hub = ['system' => 'ci-hub-service', 'size' => '4', 'end' => 'hub'];
        yield 'an adapter in a hub' => [['a' => $plain('pvc-dwv-40', '4'), 'b' => $hub], 'hub-adapter'];
        yield 'an adapter in lead wool' => [['a' => $plain('pvc-dwv-40', '4'), 'b' => $hub], 'caulked'];
        yield 'a trap adapter' => [
            ['a' => $plain('tubular-brass', '1-1/2'), 'b' => $plain('pvc-dwv-40', '1-1/2'), 'access' => 'panel'],
            'slip-joint',
        ];
    }

    public function testWaterRunsAtOnceWhereNothingIsCemented(): void
    {
        $input = [
            'a' => ['system' => 'pvc-dwv-40', 'size' => '1-1/2', 'end' => 'male-thread'],
            'b' => ['system' => 'steel-galvanised', 'size' => '1-1/2', 'end' => 'female-thread'],
        ];
        $card = array_column(
            (new Reckoners(Catalogue::shipped()))->reckon('joint', $input + ['rulebook' => 'ipc-2021'])['methods'],
            null,
            'method',
        )['threaded'];
        self::assertSame(['at-once', null], [$card['times']['first_water'], $card['times']['cure_min']]);
    }
}
