<?php

declare(strict_types=1);

namespace FallBend\Core\Tests\MakeUp;

use FallBend\Core\Catalog\Catalogue;
use FallBend\Core\Geometry\Vec3;
use FallBend\Core\MakeUp\Box;
use FallBend\Core\MakeUp\Problem;
use FallBend\Core\MakeUp\Relaxed;
use FallBend\Core\MakeUp\Relaxing;
use FallBend\Core\MakeUp\Search;
use FallBend\Core\MakeUp\Turnings;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;

/** Where nothing can be made up, what single condition has to give, and how far. */
final class RelaxingTest extends TestCase
{
    /**
     * @return iterable<string, array{Problem, string, float, float}> problem, condition, what it has to be, to within
     */
    public static function problems(): iterable
    {
        $system = Catalogue::shipped()->system('pvc-dwv-40');
        $right = Turnings::list($system, '2', [90.0]);
        $half = Turnings::list($system, '2', [45.0]);
        yield 'a square corner, and only eighth bends, one of them' => [
            SearchTest::problem([0, 0, 0], [0, 1, 0], [900, 900, 0], [1, 0, 0], ['turnings' => $half, 'maxBends' => 1]),
            'max_bends',
            2.0,
            0.0,
        ];
        $take = $right[0]->takeOffMm();
        yield 'a corner with 20 mm of pipe on one side' => [
            SearchTest::problem(
                [0, 0, 0],
                [0, 1, 0],
                [$take + 20, $take + 300, 0],
                [1, 0, 0],
                ['turnings' => $right, 'maxBends' => 1],
            ),
            'min_leg_mm',
            20.0,
            1.0,
        ];
        yield 'a way that falls 15 mm a metre, and 20 are asked' => [
            SearchTest::problem(
                [0, 0, 0],
                [0, 1, -0.021],
                [400, 1400, -21],
                [0, 1, -0.021],
                ['turnings' => $half, 'maxBends' => 2, 'fallLeast' => 20.8],
            ),
            'fall_least',
            4.4,
            6.0,
        ];
        yield 'a turn of 47°, and bends of 45°' => [
            SearchTest::problem(
                [0, 0, 0],
                [0, 1, 0],
                [sin(deg2rad(47)) * 800, 800 + cos(deg2rad(47)) * 800, 0],
                [sin(deg2rad(47)), cos(deg2rad(47)), 0],
                ['turnings' => $half, 'maxBends' => 1],
            ),
            'play_deg',
            1.0,
            0.03,
        ];
    }

    #[DataProvider('problems')]
    public function testNamesTheConditionAndHowFar(Problem $problem, string $condition, float $to, float $within): void
    {
        self::assertSame([], (new Search($problem))->run()->solutions, 'as it is asked there is none');
        $found = array_values(
            array_filter(
                (new Relaxing($problem))->all(),
                static fn (Relaxed $one): bool => $one->condition === $condition,
            ),
        );
        self::assertCount(1, $found);
        self::assertEqualsWithDelta($to, $found[0]->to, $within);
    }

    public function testNamesTheBoxThatStandsInTheWay(): void
    {
        $wall = static fn (float $y, string $what): Box => new Box(
            new Vec3(-2000, $y, -2000),
            new Vec3(2000, $y + 100, 2000),
            $what,
        );
        $problem = SearchTest::problem(
            [0, 0, 0],
            [0, 1, 0],
            [0, 1500, 0],
            [0, 1, 0],
            ['maxBends' => 1, 'boxes' => [$wall(700, 'the wall'), $wall(4000, 'another')]],
        );
        $found = (new Relaxing($problem))->all();
        $boxes = array_values(array_filter($found, static fn (Relaxed $one): bool => $one->condition === 'obstacle'));
        self::assertSame(['the wall'], array_map(static fn (Relaxed $one): string => $one->what, $boxes));
        self::assertSame(0.0, $boxes[0]->to, 'it goes right through it');
    }

    public function testClearanceGivesByWhatIsMissing(): void
    {
        $pipe = Catalogue::shipped()->system('pvc-dwv-40')->pipe('2')->outsideMm / 2;
        $beam = new Box(new Vec3(40, 200, -500), new Vec3(300, 1300, 500), 'beam');
        $problem = SearchTest::problem(
            [0, 0, 0],
            [0, 1, 0],
            [0, 1500, 0],
            [0, 1, 0],
            ['maxBends' => 1, 'boxes' => [$beam], 'radiusMm' => $pipe + 25],
        );
        $found = array_values(
            array_filter(
                (new Relaxing($problem))->all(),
                static fn (Relaxed $one): bool => $one->condition === 'clearance_mm',
            ),
        );
        self::assertEqualsWithDelta(40.0, $found[0]->to ?? 0.0, 0.5);
    }

    public function testWhatNoSingleConditionMendsGivesNone(): void
    {
        // The other end lies behind, upside down, and only an eighth bend is to be had.
        $half = Turnings::list(Catalogue::shipped()->system('pvc-dwv-40'), '2', [22.5]);
        self::assertSame(
            [],
            (new Relaxing(
                SearchTest::problem(
                    [0, 0, 0],
                    [0, 1, 0],
                    [0, -900, 0],
                    [0, -1, 0],
                    ['turnings' => $half, 'maxBends' => 1],
                ),
                5000,
            ))->all(),
        );
    }
}
