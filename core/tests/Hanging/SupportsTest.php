<?php

declare(strict_types=1);

namespace FallBend\Core\Tests\Hanging;

use FallBend\Core\Catalog\Catalogue;
use FallBend\Core\Hanging\Framing;
use FallBend\Core\Hanging\Hanger;
use FallBend\Core\Hanging\HangerKind;
use FallBend\Core\Hanging\HangerReason;
use FallBend\Core\Hanging\SupportLeg;
use FallBend\Core\Hanging\Supports;
use FallBend\Core\Job\FramingKind;
use FallBend\Core\Reckon\Reckoners;
use PHPUnit\Framework\TestCase;
use Random\Engine\Mt19937;
use Random\Randomizer;

final class SupportsTest extends TestCase
{
    public function testNoGapIsLongerThanTheRulebookLetsItBeOnAThousandRuns(): void
    {
        $random = new Randomizer(new Mt19937(1000));
        $clear = $all = $joists = 0;
        for ($i = 0; $i < 1000; $i++) {
            $legs = self::legs($random);
            $hangers = (new Supports($legs))->hangers();
            self::assertHeld($legs, $hangers, "run {$i}");
            $all += count($hangers);
            $clear += count(array_filter($hangers, static fn (Hanger $hanger): bool => $hanger->isClear));
            $joists += count(
                array_filter($hangers, static fn (Hanger $hanger): bool => $hanger->kind === HangerKind::Joist),
            );
            foreach ($hangers as $hanger) {
                $under = array_filter(
                    $legs[$hanger->leg]->fittings,
                    static fn (array $one): bool => $one[0] < $hanger->atMm && $hanger->atMm < $one[1],
                );
                self::assertFalse(
                    $hanger->isClear && $under !== [],
                    "run {$i}: what is called clear stands on straight pipe",
                );
            }
        }
        self::assertGreaterThan(0.85 * $all, $clear, 'hardly one stands on a joint or a fitting');
        self::assertGreaterThan(0.1 * $all, $joists);
    }

    public function testAStraightLegIsHungAtEqualSteps(): void
    {
        $hangers = (new Supports([self::leg(3000.0, ['mostMm' => 1200.0, 'besideMm' => 300.0])]))->hangers();
        self::assertSame(
            [300.0, 1150.0, 2000.0, 2850.0],
            array_map(static fn (Hanger $hanger): float => round($hanger->atMm, 3), $hangers),
        );
        self::assertSame(
            ['turn', 'spacing', 'spacing', 'turn'],
            array_map(static fn (Hanger $hanger): string => $hanger->why->value, $hangers),
        );
    }

    public function testItHangsFromAJoistWhereOneIsNearEnoughAndFromABattenWhereNoneIs(): void
    {
        $near = (new Supports([
            self::leg(3000.0, [
                'mostMm' => 1200.0,
                'framing' => Framing::every(FramingKind::Joist, 400.0, 150.0, 3000.0),
            ]),
        ]))->hangers();
        foreach ($near as $hanger) {
            self::assertSame(HangerKind::Joist, $hanger->kind);
            self::assertEqualsWithDelta(0.0, fmod($hanger->atMm - 150.0, 400.0), 1e-6);
        }
        $far = (new Supports([
            self::leg(3000.0, [
                'mostMm' => 500.0,
                'besideMm' => 250.0,
                'framing' => Framing::every(FramingKind::Joist, 1200.0, 600.0, 3000.0),
            ]),
        ]))->hangers();
        self::assertContains('batten', array_map(static fn (Hanger $hanger): string => $hanger->kind->value, $far));
        self::assertContains('joist', array_map(static fn (Hanger $hanger): string => $hanger->kind->value, $far));
    }

    public function testAHeavyPartHasOneBesideItAndAJointNoneOnIt(): void
    {
        $legs = [self::leg(2400.0, ['mostMm' => 1200.0, 'joints' => [1200.0, 300.0, 2100.0], 'heavy' => [700.0]])];
        $hangers = (new Supports($legs))->hangers();
        self::assertHeld($legs, $hangers, '');
        self::assertContains('heavy', array_map(static fn (Hanger $hanger): string => $hanger->why->value, $hangers));
        foreach ($hangers as $hanger) {
            self::assertTrue($hanger->isClear);
        }
    }

    public function testAFittingIsNoPlaceForAHangerButForTheFootOfAStack(): void
    {
        $at = static fn (array $with): Hanger => array_slice(
            (new Supports([self::leg(2000.0, $with)]))->hangers(),
            -1,
        )[0];
        $bend = ['joints' => [1780.0], 'fittings' => [[1780.0, 2000.0]]];
        self::assertSame(
            [1729.2, true],
            [round($at($bend)->atMm, 3), $at($bend)->isClear],
            'before the bend, not under it',
        );
        self::assertSame(
            [2000.0, HangerReason::Base, true],
            [
                $at($bend + ['isUpright' => true])->atMm,
                $at($bend + ['isUpright' => true])->why,
                $at($bend + ['isUpright' => true])->isClear,
            ],
        );
        $nothingElse = ['joints' => [1600.0], 'fittings' => [[1600.0, 2000.0]]];
        self::assertFalse(
            $at($nothingElse)->isClear,
            'where it must be near the turn and there is no pipe, that is said',
        );
        self::assertTrue($at(['joints' => [1900.0], 'fittings' => [[1900.0, 2000.0]]])->isClear);
    }

    public function testAStackStandsOnABracketAtItsFootAndIsHeldAboveIt(): void
    {
        $hangers = (new Supports([self::leg(6000.0, ['isUpright' => true, 'mostMm' => 2500.0])]))->hangers();
        self::assertSame(
            ['bracket'],
            array_values(array_unique(array_map(static fn (Hanger $hanger): string => $hanger->kind->value, $hangers))),
        );
        self::assertSame(HangerReason::Base, $hangers[count($hangers) - 1]->why);
        self::assertGreaterThan(5600.0, $hangers[count($hangers) - 1]->atMm);
        self::assertLessThanOrEqual(2500.0, $hangers[0]->atMm);
    }

    public function testAShortLegBetweenTwoTurnsIsHeldByItsNeighbours(): void
    {
        $legs = [
            self::leg(1000.0, ['mostMm' => 1200.0]),
            self::leg(150.0, ['mostMm' => 1200.0]),
            self::leg(1000.0, ['mostMm' => 1200.0]),
        ];
        $hangers = (new Supports($legs))->hangers();
        self::assertSame([], array_filter($hangers, static fn (Hanger $hanger): bool => $hanger->leg === 1));
        self::assertHeld($legs, $hangers, '');
    }

    public function testIronNearEveryJointPlasticByItsSizeAndWhatIsNotStatedIsSaid(): void
    {
        $iron = self::reckon([
            'legs' => [
                [
                    'length_mm' => 6000,
                    'way' => 'level',
                    'system' => 'ci-no-hub',
                    'size' => '4',
                    'joints_at_mm' => [3000],
                ],
            ],
            'rulebook' => 'upc-2021',
        ]);
        self::assertContains('joint', array_column($iron['hangers'], 'why'));
        self::assertNotSame(
            [],
            array_filter(
                $iron['hangers'],
                static fn (array $hanger): bool => abs($hanger['at_mm'] - 3000) <= 457.3 &&
                    abs($hanger['at_mm'] - 3000) >= 50.7,
            ),
        );
        $gap = static fn (string $size): float => self::reckon([
            'legs' => [
                [
                    'length_mm' => 5000,
                    'way' => 'level',
                    'system' => $size === '110' ? 'pvcu-soil' : 'pvcu-solvent',
                    'size' => $size,
                ],
            ],
            'rulebook' => 'adh-2015',
        ])['longest_gap_mm'];
        self::assertLessThanOrEqual(500.0, $gap('40'));
        self::assertGreaterThan(500.0, $gap('110'));
        self::assertLessThanOrEqual(900.0, $gap('110'));
        $leg = ['length_mm' => 3000, 'way' => 'level', 'system' => 'pvc-dwv-40', 'size' => '2'];
        self::assertSame(
            ['hang.notStated'],
            array_column(self::reckon(['legs' => [$leg], 'rulebook' => 'adh-2015'])['findings'], 'rule'),
        );
        self::assertSame(
            ['hang.hot'],
            array_column(
                self::reckon(['legs' => [['contents_c' => 70] + $leg], 'rulebook' => 'upc-2021'])['findings'],
                'rule',
            ),
        );
    }

    /**
     * Along the whole run, leg after leg: nowhere a stretch between hangers that is longer than its legs let it be; the
     * first and the last near their ends; heavy parts and joints near one.
     *
     * @param list<SupportLeg> $legs
     * @param list<Hanger> $hangers
     */
    private static function assertHeld(array $legs, array $hangers, string $what): void
    {
        [$start, $last] = [0.0, null];
        foreach ($legs as $n => $leg) {
            $at = array_map(
                static fn (Hanger $hanger): float => $hanger->atMm,
                array_values(array_filter($hangers, static fn (Hanger $hanger): bool => $hanger->leg === $n)),
            );
            $sorted = $at;
            sort($sorted);
            self::assertSame($sorted, $at, "{$what}: in order");
            foreach ($at as $place) {
                self::assertTrue($place >= 0.0 && $place <= $leg->lengthMm, "{$what}: on its leg");
                $gap = $start + $place - ($last ?? 0.0);
                // Upright pipe is held at its foot and up from it; what is level before it ends in its own hanger.
                self::assertLessThanOrEqual(
                    max($leg->mostMm, $leg->isUpright && $last !== null ? $gap : 0.0) + 0.02,
                    $leg->isUpright && count($at) > 1 && $place > $at[0]
                        ? $place - $at[(int) array_search($place, $at, true) - 1]
                        : $gap,
                    "{$what}, leg {$n}",
                );
                $last = $start + $place;
            }
            foreach ($leg->heavy as $part) {
                self::assertLessThanOrEqual(
                    $leg->besideMm + 0.02,
                    min(INF, ...array_map(static fn (float $place): float => abs($place - $part), $at)),
                    "{$what}: heavy part",
                );
            }
            foreach ($leg->nearJointMm === null ? [] : $leg->joints as $joint) {
                self::assertLessThanOrEqual(
                    $leg->nearJointMm + 0.02,
                    min(INF, ...array_map(static fn (float $place): float => abs($place - $joint), $at)),
                    "{$what}: joint",
                );
            }
            if ($leg->isBent && ! $leg->isUpright && $at !== []) {
                self::assertLessThanOrEqual($leg->besideMm + 0.02, $at[0], "{$what}: at its beginning");
                self::assertLessThanOrEqual(
                    $leg->besideMm + 0.02,
                    $leg->lengthMm - $at[count($at) - 1],
                    "{$what}: at its end",
                );
            }
            $start += $leg->lengthMm;
        }
        self::assertLessThanOrEqual(
            $legs[count($legs) - 1]->mostMm + 0.02,
            $start - ($last ?? 0.0),
            "{$what}: at the end",
        );
    }

    /** @return list<SupportLeg> level legs with turns, now and then one that goes straight on */
    private static function legs(Randomizer $random): array
    {
        [$most, $near] = [
            (float) $random->getInt(500, 3600),
            $random->getInt(0, 3) === 0 ? (float) $random->getInt(200, 460) : null,
        ];
        $joists = $random->getInt(0, 1) === 0 ? null : (float) $random->getInt(300, 620);
        $legs = [];
        for ($n = $random->getInt(1, 6); $n > 0; $n--) {
            $length = (float) $random->getInt(120, 9000);
            $places = static fn (int $count): array => array_map(
                static fn (): float => (float) $random->getInt(0, (int) $length),
                array_fill(0, $count, 0),
            );
            $fittings = array_map(
                static fn (float $at): array => [$at, min($length, $at + $random->getInt(60, 400))],
                $places($random->getInt(0, 2)),
            );
            $joints = [...$places($random->getInt(0, 3)), ...array_merge([], ...$fittings)];
            $legs[] = new SupportLeg(
                $length,
                false,
                $most,
                min(304.8, $most / 2),
                $near,
                50.8,
                $joints,
                $places($random->getInt(0, 2)),
                $random->getInt(0, 5) > 0,
                $joists === null
                    ? null
                    : Framing::every(FramingKind::Joist, $joists, (float) $random->getInt(0, 400), $length),
                fittings: $fittings,
            );
        }

        return $legs;
    }

    /** @param array<string, mixed> $with */
    private static function leg(float $length, array $with): SupportLeg
    {
        return new SupportLeg(
            ...$with + [
                'lengthMm' => $length,
                'isUpright' => false,
                'mostMm' => 1200.0,
                'besideMm' => 304.8,
                'nearJointMm' => null,
                'clearMm' => 50.8,
                'joints' => [],
                'heavy' => [],
            ],
        );
    }

    /**
     * @param array<string, mixed> $asked
     * @return array<string, mixed>
     */
    private static function reckon(array $asked): array
    {
        return (new Reckoners(Catalogue::shipped()))->reckon('supports', $asked);
    }
}
