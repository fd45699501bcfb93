<?php

declare(strict_types=1);

namespace FallBend\Core\Tests\Joining;

use FallBend\Core\Catalog\Catalogue;
use FallBend\Core\Reckon\Reckoners;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;

final class CementPlannerTest extends TestCase
{
    private const PVC = ['a' => 'pvc-dwv-40', 'b' => 'pvc-dwv-40', 'size' => '2', 'rulebook' => 'ipc-2021'];

    /**
     * @return iterable<string, array{array<string, mixed>, array<string, mixed>, list<string>}> input over PVC 2 in,
     *     part of the answer, rules found
     */
    public static function plans(): iterable
    {
        yield 'mild' => [
            ['air_c' => 20],
            ['working_s' => 20.0, 'hold_s' => 30.0, 'set_min' => 30.0, 'cure_min' => 30.0, 'dauber_mm' => 30.1625],
            [],
        ];
        yield 'the slower of two tables, and cured no sooner than set' => [
            ['air_c' => 10],
            ['set_min' => 120.0, 'cure_min' => 120.0],
            [],
        ];
        yield '3 in' => [['size' => '3', 'air_c' => 20], ['set_min' => 30.0, 'cure_min' => 90.0, 'hold_s' => 30.0], []];
        yield '4 in is held longer' => [
            ['size' => '4', 'air_c' => 20],
            ['set_min' => 60.0, 'cure_min' => 90.0, 'hold_s' => 60.0],
            [],
        ];
        yield 'cold and large' => [
            ['size' => '4', 'air_c' => 2],
            ['hold_s' => 180.0, 'set_min' => 720.0, 'cure_min' => 4320.0],
            ['cement.cold'],
        ];
        yield 'cold pipe in mild air' => [
            ['air_c' => 20, 'surface_c' => 2],
            ['set_min' => 360.0, 'hold_s' => 60.0],
            ['cement.cold'],
        ];
        yield 'damp adds half' => [
            ['air_c' => 20, 'rh_percent' => 61],
            ['set_min' => 45.0, 'cure_min' => 45.0],
            ['cement.damp'],
        ];
        yield 'sixty is not damp' => [['air_c' => 20, 'rh_percent' => 60], ['set_min' => 30.0], []];
        yield 'wet adds half, and is warned of' => [
            ['air_c' => 20, 'wet' => true],
            ['set_min' => 45.0],
            ['cement.wet'],
        ];
        yield 'hot leaves seconds' => [['air_c' => 33], ['working_s' => 5.0, 'set_min' => 30.0], ['cement.hot']];
        yield 'refused in deep cold' => [
            ['air_c' => -18],
            ['set_min' => null, 'working_s' => null, 'steps' => []],
            ['cement.tooCold'],
        ];
        yield 'just not refused' => [['air_c' => -17.7], ['set_min' => 360.0], ['cement.cold']];
        yield 'refused in great heat' => [['air_c' => 30, 'surface_c' => 45], ['set_min' => null], ['cement.tooHot']];
        yield 'bottoms dry' => [['air_c' => 20, 'dry_fit_fraction' => 1], ['steps' => []], ['cement.dryFitBottoms']];
        yield 'loose dry' => [['air_c' => 20, 'dry_fit_fraction' => 0.8], [], ['cement.dryFitLoose']];
        yield 'tight dry' => [['air_c' => 20, 'dry_fit_fraction' => 0.2], [], ['cement.dryFitTight']];
        yield 'a third is right' => [['air_c' => 20, 'dry_fit_fraction' => 0.333], [], []];
        yield 'polypropylene' => [
            ['a' => 'pp-push-fit', 'b' => 'pp-push-fit', 'size' => '40', 'rulebook' => 'adh-2015'],
            ['cement' => null, 'steps' => [], 'cans' => null],
            ['cement.doesNotDissolve'],
        ];
        yield 'water tube' => [['b' => 'cpvc-cts'], ['cement' => null], ['cement.noDrain']];
        yield 'iron' => [['b' => 'ci-no-hub'], ['cement' => null], ['cement.noPlastic']];
        yield 'US and UK plastic' => [['b' => 'pvcu-solvent'], ['cement' => null], ['cement.noCement']];
        yield 'transition' => [['b' => 'abs-dwv-40', 'air_c' => 20], [], ['cement.transitionPlace']];
        yield 'transition, not in this book' => [
            ['b' => 'abs-dwv-40', 'air_c' => 20, 'rulebook' => 'adh-2015'],
            ['steps' => []],
            ['cement.transitionNever'],
        ];
        // NPC 2.3.3.6: between two systems, wherever they meet.
        yield 'transition, between systems' => [
            ['b' => 'abs-dwv-40', 'air_c' => 20, 'rulebook' => 'npc-2020'],
            [],
            ['cement.transitionBetween'],
        ];
    }

    /**
     * @param array<string, mixed> $input
     * @param array<string, mixed> $expected
     * @param list<string> $rules
     */
    #[DataProvider('plans')]
    public function testPlans(array $input, array $expected, array $rules): void
    {
        $answer = self::reckon($input);
        foreach ($expected as $key => $value) {
            self::assertEqualsWithDelta($value, $answer[$key], 0.001, $key);
        }
        self::assertSame($rules, array_column($answer['findings'], 'rule'));
    }

    public function testCementPrimerAndBodyByPlasticSizeAndBook(): void
    {
        self::assertSame(['d2564', 'regular'], [self::reckon([])['cement']['row'], self::reckon([])['cement']['body']]);
        self::assertSame('medium', self::reckon(['size' => '3'])['cement']['body']);
        self::assertSame('heavy', self::reckon(['size' => '8'])['cement']['body']);
        self::assertSame('d2235', self::reckon(['a' => 'abs-dwv-40', 'b' => 'abs-cellular-40'])['cement']['row']);
        self::assertNull(self::reckon(['a' => 'abs-dwv-40', 'b' => 'abs-cellular-40'])['primer']);
        self::assertSame(
            'en14680',
            self::reckon(['a' => 'abs-solvent', 'b' => 'pvcu-solvent', 'size' => '40', 'rulebook' => 'adh-2015'])[
                'cement'
            ]['row'],
        );
        self::assertSame(
            'cleaner',
            self::reckon(['a' => 'abs-solvent', 'b' => 'pvcu-solvent', 'size' => '40', 'rulebook' => 'adh-2015'])[
                'primer'
            ]['kind'],
        );
        self::assertTrue(self::reckon([])['primer']['may_be_waived'], 'up to 4 in, with a certified cement');
        self::assertFalse(self::reckon(['size' => '6'])['primer']['may_be_waived']);
        self::assertFalse(self::reckon(['rulebook' => 'upc-2021'])['primer']['may_be_waived']);
    }

    public function testTheInspectorMayWantTintedPrimerOrNot(): void
    {
        self::assertTrue(self::reckon([])['primer']['tinted']);
        $clear = self::reckon([
            'overrides' => [
                'rulebook' => [
                    [
                        'rulebook' => 'ipc-2021',
                        'threshold' => 'joint.primer.tinted',
                        'value' => 0,
                        'source' => 'our inspector takes clear',
                    ],
                ],
            ],
        ]);
        self::assertFalse($clear['primer']['tinted']);
    }

    public function testCansForAListOfJoints(): void
    {
        $cans = self::reckon(['joints' => [['size' => '2', 'count' => 30], ['size' => '3', 'count' => 11]]])['cans'];
        self::assertSame(41, $cans['joints']);
        self::assertSame(['pint' => 2, 'quart' => 1, 'litre' => 1], $cans['cement'], '30/30 + 11/20 of a pint');
        self::assertSame(['pint' => 1, 'quart' => 1, 'litre' => 1], $cans['primer'], 'primer goes twice as far');
        self::assertSame(['pint' => 1, 'quart' => 1, 'litre' => 1], self::reckon(['joints' => 30])['cans']['cement']);
        self::assertNull(
            self::reckon(['a' => 'pvc-sewer-sdr35', 'b' => 'pvc-sewer-sdr35', 'size' => '12', 'joints' => 3])['cans'][
                'cement'
            ],
            'beyond the chart',
        );
    }

    /**
     * @param array<string, mixed> $input
     * @return array<string, mixed>
     */
    private static function reckon(array $input): array
    {
        return (new Reckoners(Catalogue::shipped()))->reckon('cement', $input + self::PVC);
    }
}
