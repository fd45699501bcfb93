<?php

declare(strict_types=1);

namespace FallBend\Core\Tests\MakeUp;

use FallBend\Core\Catalog\Catalogue;
use FallBend\Core\Geometry\Vec3;
use FallBend\Core\MakeUp\TrapOverFloor;
use FallBend\Core\Reckon\Reckoners;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;
use Random\Engine\Mt19937;
use Random\Randomizer;

final class TrapOverFloorTest extends TestCase
{
    /** A mop sink: the tailpiece ends 450 over the floor, the outlet lies 260 beside it. */
    private const ASKED = [
        'fixture' => 'mop-sink',
        'rulebook' => 'upc-2021',
        'tailpiece' => ['at' => [0, 0, 450], 'size' => '2', 'length_mm' => 100],
        'outlet' => [
            'at' => [0, 260, 0],
            'along' => [0, 0, -1],
            'system' => 'pvc-dwv-40',
            'size' => '2',
            'depth_mm' => 19,
            'vented' => true,
            'tee' => ['run_out_mm' => 40],
        ],
        'trap' => [
            'pattern' => 'p',
            'size' => '2',
            'tall_mm' => 120,
            'reach_mm' => 110,
            'elbow_mm' => 24,
            'seal_mm' => 70,
        ],
    ];

    public function testTheLegOfTheTrapCanStandWhereTheArmSaysAndTheRiserMeetsIt(): void
    {
        $random = new Randomizer(new Mt19937(61));
        $swung = $straight = $refused = 0;
        for ($i = 0; $i < 500; $i++) {
            [$x, $y, $reach, $least] = [
                $random->getInt(-400, 400),
                $random->getInt(-400, 400),
                $random->getInt(0, 160),
                $random->getInt(0, 240),
            ];
            $fit = new TrapOverFloor(
                new Vec3(0.0, 0.0, 500.0),
                new Vec3((float) $x, (float) $y, 10.0),
                120.0,
                (float) $reach,
                20.0,
                (float) $least,
            );
            $apart = hypot($x, $y);
            if ($fit->armMm === null) {
                self::assertLessThan($least, $apart + $reach, 'however it is swung it is too short');
                $refused++;

                continue;
            }
            // A triangle of reach, arm and the way between the two axes can be drawn: the leg has a place.
            self::assertGreaterThanOrEqual($least - 1e-9, $fit->armMm);
            self::assertLessThanOrEqual($apart + $reach + 0.5, $fit->armMm);
            self::assertGreaterThanOrEqual(abs($apart - $reach) - 1e-9, $fit->armMm);
            self::assertEqualsWithDelta(
                500.0 - 120.0,
                10.0 + $fit->riserMm + $fit->armMm * 0.02,
                1e-9,
                'up the riser and the arm, and the trap hangs there',
            );
            abs($fit->armMm - abs($apart - $reach)) < 1e-9 ? $straight++ : $swung++;
        }
        self::assertGreaterThan(250, $straight);
        self::assertGreaterThan(20, $swung);
        self::assertGreaterThan(0, $refused);
    }

    public function testCutsComeOutAsByHand(): void
    {
        $answer = self::reckon();
        $fall = $answer['arm']['fall_mm_per_m'];
        self::assertSame(150.0, $answer['arm']['length_mm']);
        self::assertEqualsWithDelta(450 - 120 - (150 * $fall) / 1000, $answer['riser_mm'], 1e-6);
        $cuts = array_column($answer['cuts'], 'length_mm', 'piece');
        self::assertEqualsWithDelta(
            150 - 24 - 58.7375,
            $cuts['arm'],
            1e-6,
            'from the elbow to the stop in the branch, as the catalogue has it',
        );
        self::assertEqualsWithDelta($answer['riser_mm'] - 40 + 19, $cuts['riser'], 1e-6);
        self::assertTrue($answer['fits']);
        self::assertSame([], $answer['findings']);
        self::assertSame([0.0, 0.0], [$answer['shorten_mm'], $answer['extend_mm']], 'the riser is cut to the height');
        $steps = array_column($answer['steps'], 'step');
        self::assertLessThan(
            array_search('trap.hang', $steps, true),
            array_search('trap.vent-up', $steps, true),
            'the vent before the trap',
        );
        self::assertContains('riser', array_column($answer['parts'], 'part'));
        self::assertNotContains('wall tube', array_column($answer['parts'], 'part'));
    }

    public function testWithoutAVentItIsRefusedExceptWhereTheBookTakesAnSTrap(): void
    {
        $open = ['outlet' => ['vented' => false] + self::ASKED['outlet']];
        self::assertContains('trapfit.floor', array_column(self::reckon($open)['findings'], 'rule'));
        $british = static fn (string $pattern): array => self::reckon([
            'rulebook' => 'adh-2015',
            'tailpiece' => ['at' => [0, 0, 450], 'size' => '40', 'length_mm' => 100],
            'outlet' => [
                'at' => [0, 100, 0],
                'along' => [0, 0, -1],
                'system' => 'abs-solvent',
                'size' => '40',
                'depth_mm' => 19,
            ],
            'trap' => ['pattern' => $pattern, 'size' => '40', 'seal_mm' => 75] + self::ASKED['trap'],
        ]);
        self::assertNotContains('trapfit.floor', array_column($british('s')['findings'], 'rule'));
        self::assertContains(
            'trapfit.floor',
            array_column($british('p')['findings'], 'rule'),
            'a p trap is not made to drop',
        );
    }

    /** @return iterable<string, array{array<string, mixed>, string}> what is different, the finding */
    public static function faults(): iterable
    {
        $with = static fn (string $part, array $more): array => [$part => $more + self::ASKED[$part]];
        yield 'straight over the outlet with a bottle' => [
            [
                'outlet' => ['at' => [0, 20, 0]] + self::ASKED['outlet'],
                'trap' => ['pattern' => 'p', 'reach_mm' => 0] + self::ASKED['trap'],
            ],
            'trapfit.armShort',
        ];
        yield 'too low for the tee' => [$with('tailpiece', ['at' => [0, 0, 180]]), 'trapfit.low'];
        yield 'a tee that nobody measured' => [$with('outlet', ['tee' => []]), 'trapfit.measureTee'];
        yield 'a long way over' => [$with('outlet', ['at' => [0, 2600, 0]]), 'trapfit.armLong'];
        yield 'a long way down to the weir' => [
            $with('tailpiece', ['at' => [0, 0, 900], 'length_mm' => 600]),
            'trapfit.drop',
        ];
    }

    /** @param array<string, mixed> $with */
    #[DataProvider('faults')]
    public function testWhatStandsAgainstItIsSaid(array $with, string $rule): void
    {
        self::assertSame([$rule], array_column(self::reckon($with)['findings'], 'rule'));
    }

    public function testWithoutTheTeesMeasuresItsReckonedOnesSayWhatTheyMayBeOff(): void
    {
        $answer = self::reckon(['outlet' => ['tee' => []] + self::ASKED['outlet']]);
        self::assertContains('riser', array_column($answer['cuts'], 'piece'));
        $finding = array_column($answer['findings'], null, 'rule')['trapfit.measureTee'];
        self::assertSame('note', $finding['severity']);
        self::assertStringContainsString('may be off by', $finding['why']);
        self::assertNotContains('trapfit.measureTee', array_column(self::reckon()['findings'], 'rule'));
    }

    /**
     * @param array<string, mixed> $with
     * @return array<string, mixed>
     */
    private static function reckon(array $with = []): array
    {
        return (new Reckoners(Catalogue::shipped()))->reckon('trap-fit', [...self::ASKED, ...$with]);
    }
}
