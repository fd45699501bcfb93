<?php

declare(strict_types=1);

namespace FallBend\Core\Tests\MakeUp;

use FallBend\Core\Catalog\Bend;
use FallBend\Core\Catalog\Catalogue;
use FallBend\Core\Geometry\Vec3;
use FallBend\Core\MakeUp\Box;
use FallBend\Core\MakeUp\OpenEnd;
use FallBend\Core\MakeUp\Problem;
use FallBend\Core\MakeUp\Search;
use FallBend\Core\MakeUp\SearchResult;
use FallBend\Core\MakeUp\Solution;
use FallBend\Core\MakeUp\Turnings;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;
use Random\Engine\Mt19937;
use Random\Randomizer;

final class SearchTest extends TestCase
{
    private const QUARTER_FALL = 1000 / 48;

    /** The bench solves 500 of these. */
    public function testSolvesWhatWasPutTogetherByChanceWithNoMoreBends(): void
    {
        $kinds = [];
        foreach (TwoEnds::generated(4711, 45) as $i => $case) {
            $found = (new Search($case->problem))->run();
            self::assertNotSame([], $found->solutions, "{$i}: {$case->kind}, {$case->bends} bends");
            self::assertLessThanOrEqual($case->bends, count($found->solutions[0]->bends()), "{$i}");
            foreach ($found->solutions as $solution) {
                self::assertBuildable($solution, "{$i} {$case->kind}");
            }
            $kinds[$case->kind] = ($kinds[$case->kind] ?? 0) + 1;
        }
        self::assertCount(4, $kinds);
        self::assertGreaterThan(4, $kinds['level to upright']);
    }

    public function testAnOffsetToTheSideAndInHeightComesOutAsByHand(): void
    {
        // Offset 300, rise 400: true offset 500, travel 500·√2, roll from level 53.13°: 36.87° from plumb.
        $solution = self::find(
            [0, 0, 0],
            [0, 1, 0],
            [300, 2000, 400],
            [0, 1, 0],
            ['turnings' => Turnings::list(Catalogue::shipped()->system('pvc-dwv-40'), '2', [45.0])],
        )->solutions[0];
        self::assertSame(
            ['eighth', 'eighth'],
            array_map(static fn (Bend $bend): string => $bend->pattern, $solution->bends()),
        );
        self::assertEqualsWithDelta(500 * M_SQRT2, $solution->lengths[1], 0.01);
        self::assertEqualsWithDelta(
            180.0,
            abs($solution->rollDeg(1)),
            0.01,
            'the second turns back what the first turns',
        );
        self::assertEqualsWithDelta(36.87, abs($solution->dialDeg(0)), 0.01);
    }

    /**
     * @return iterable<string, array{list<float|int>, list<float|int>, list<float|int>, list<float|int>, list<string>}>
     *     from, along, to, along, patterns of the best
     */
    public static function classics(): iterable
    {
        yield 'straight on' => [[0, 0, 0], [0, 1, 0], [0, 900, 0], [0, 1, 0], []];
        yield 'straight on, but for what the joints give' => [[0, 0, 0], [0, 1, 0], [6, 900, 0], [0, 1, 0], []];
        yield 'square' => [[0, 0, 0], [0, 1, 0], [900, 900, 0], [1, 0, 0], ['long-sweep']];
        yield 'level to upright at a quarter inch a foot' => [
            [0, 0, 0],
            [0, 48, -1],
            [0, 960, -1500],
            [0, 0, -1],
            ['long-sweep'],
        ];
        yield 'a parallel offset' => [[0, 0, 0], [0, 1, 0], [400, 1500, 0], [0, 1, 0], ['sixteenth', 'sixteenth']];
        yield 'a parallel offset with little way' => [
            [0, 0, 0],
            [0, 1, 0],
            [400, 760, 0],
            [0, 1, 0],
            ['eighth', 'eighth'],
        ];
        yield 'there and back' => [[0, 0, 0], [0, 1, 0], [900, 0, 0], [0, -1, 0], ['quarter', 'quarter']];
        yield 'down and away at right angles' => [[0, 0, 0], [0, 1, 0], [1500, 900, -1200], [1, 0, 0], []];
    }

    /**
     * @param list<float|int> $from
     * @param list<float|int> $along
     * @param list<float|int> $to
     * @param list<float|int> $leads
     * @param list<string> $patterns
     */
    #[DataProvider('classics')]
    public function testFindsWhatAPlumberWouldTake(
        array $from,
        array $along,
        array $to,
        array $leads,
        array $patterns,
    ): void {
        $found = self::find($from, $along, $to, $leads);
        self::assertNotSame([], $found->solutions);
        self::assertTrue($found->isExhaustive);
        foreach ($found->solutions as $solution) {
            self::assertBuildable($solution, '');
        }
        $best = array_map(static fn (Bend $bend): string => $bend->pattern, $found->solutions[0]->bends());
        if ($patterns === [] && count($best) > 0) {
            self::assertLessThanOrEqual(2, count($best), 'two bends lead from any direction to any other');

            return;
        }
        // Bends of one turn stand for each other: the long sweep comes before the short one where there is room.
        $alike = static fn (array $all): array => array_map(
            static fn (string $one): string => in_array($one, ['quarter', 'long-sweep'], true) ? 'ninety' : $one,
            $all,
        );
        self::assertSame($alike($patterns), $alike($best));
    }

    public function testTheGentlerBendOfOneTurnComesFirstAndTheShortOneWhereThereIsNoRoom(): void
    {
        $patterns = static fn (SearchResult $found): array => array_map(
            static fn (Solution $one): string => $one->bends()[0]->pattern,
            $found->solutions,
        );
        $wide = $patterns(self::find([0, 0, 0], [0, 1, 0], [900, 900, 0], [1, 0, 0], ['maxBends' => 1]));
        self::assertSame(['long-sweep', 'quarter'], $wide);
        $system = Catalogue::shipped()->system('pvc-dwv-40');
        $short = ($system->bend('quarter', '2', false)->takeOffMm ?? 0.0) + 2 * $system->pipe('2')->socketDepthMm + 1.0;
        self::assertSame(
            ['quarter'],
            $patterns(self::find([0, 0, 0], [0, 1, 0], [$short, $short, 0], [1, 0, 0], ['maxBends' => 1])),
        );
    }

    public function testLegsFallAsIsAsked(): void
    {
        $found = self::find(
            [0, 0, 0],
            [0, 48, -1],
            [700, 1800, -150],
            [48, 0, -1],
            ['fallLeast' => self::QUARTER_FALL],
        );
        self::assertNotSame([], $found->solutions);
        foreach ($found->solutions as $solution) {
            foreach (array_slice($solution->directions, 1, -1) as $u) {
                self::assertTrue(-$u->z >= 0.7 || (-$u->z / sqrt(1 - $u->z ** 2)) * 1000 >= self::QUARTER_FALL - 0.001);
            }
        }
        // It would have to rise: there is no way with any number of bends.
        self::assertSame(
            [],
            self::find(
                [0, 0, 0],
                [0, 48, -1],
                [700, 1800, 300],
                [48, 0, -1],
                ['fallLeast' => self::QUARTER_FALL, 'maxBends' => 2],
            )->solutions,
        );
    }

    public function testNoLegOfAMostFallIsSteeperUnlessItIsADrop(): void
    {
        $found = self::find([0, 0, 0], [0, 1, 0], [500, 2500, -160], [0, 1, 0], ['fallMost' => 60.0, 'maxBends' => 3]);
        foreach ($found->solutions as $solution) {
            foreach (array_slice($solution->directions, 1, -1) as $u) {
                $dip = rad2deg(asin(-$u->z));
                self::assertTrue($dip >= 15.0 - 1e-6 || tan(deg2rad($dip)) * 1000 <= 60.001, "dips {$dip}°");
            }
        }
    }

    public function testPipeThatEndsIsGoneOnFromWithTheFittingStraightOnItOrWithACoupling(): void
    {
        $take = Catalogue::shipped()->system('pvc-dwv-40')->bend('eighth', '2', false)->takeOffMm ?? 0.0;
        $s = M_SQRT1_2;
        // The bend goes straight on the pipe: its centre lies by its take-off beyond the cut face.
        $at = [600 * $s, $take + 600 * $s, 0.0];
        $found = self::find([0, 0, 0], [0, 1, 0], $at, [$s, $s, 0], [], 'plain');
        self::assertCount(1, $found->solutions[0]->bends());
        self::assertEqualsWithDelta($take, $found->solutions[0]->lengths[0], 0.001);
        self::assertNull($found->solutions[0]->cutMm(0));
        $far = self::find([0, 0, 0], [0, 1, 0], [600 * $s, 900 + 600 * $s, 0.0], [$s, $s, 0], [], 'plain')
            ->solutions[0];
        self::assertEqualsWithDelta(
            900.0 - $take - (Catalogue::shipped()->system('pvc-dwv-40')->coupling('2')->acrossMm ?? 0.0),
            $far->cutMm(0),
            0.01,
        );
    }

    public function testBoxesAreKeptAwayFromBySamplesOfTheirOwn(): void
    {
        $random = new Randomizer(new Mt19937(99));
        $blocked = $solved = 0;
        foreach (TwoEnds::generated(123, 24) as $i => $case) {
            // A box that stands on the middle of the known answer, and one that stands anywhere.
            $middle = $case->points[1]->plus($case->points[0])->times(0.5);
            $boxes = [
                self::box($middle, 60.0 + $random->getInt(0, 80)),
                self::box(
                    new Vec3($random->getInt(-800, 800), $random->getInt(-800, 800), $random->getInt(-800, 800)),
                    150.0,
                ),
            ];
            $problem = $case->problem->with([
                'boxes' => $boxes,
                'radiusMm' => $case->problem->radiusMm + 10.0,
                'maxBends' => 3,
            ]);
            $found = (new Search($problem, 150_000))->run();
            $free = (new Search($case->problem, 150_000))->run()->solutions[0];
            $blocked += $boxes[0]->distanceTo($free->points[0], $free->points[1]) < $problem->radiusMm ? 1 : 0;
            foreach ($found->solutions as $solution) {
                $solved++;
                $nearest = INF;
                foreach ($boxes as $box) {
                    for ($leg = 0; $leg + 1 < count($solution->points); $leg++) {
                        [$a, $b] = [$solution->points[$leg], $solution->points[$leg + 1]];
                        for ($k = 0; $k <= 200; $k++) {
                            $p = $a->plus($b->minus($a)->times($k / 200));
                            $off = sqrt(
                                max(0, $box->min->x - $p->x, $p->x - $box->max->x) ** 2 +
                                    max(0, $box->min->y - $p->y, $p->y - $box->max->y) ** 2 +
                                    max(0, $box->min->z - $p->z, $p->z - $box->max->z) ** 2,
                            );
                            $nearest = min($nearest, $off);
                        }
                    }
                }
                self::assertGreaterThanOrEqual($problem->radiusMm - 0.01, $nearest, (string) $i);
            }
        }
        self::assertGreaterThan(8, $blocked, 'the boxes stand in the way of what would be taken');
        self::assertGreaterThan(8, $solved, 'and there are ways round them');
    }

    public function testEffortThatRunsOutIsSaid(): void
    {
        $found = (new Search(
            self::problem([0, 0, 0], [0, 1, 0], [0, -40, 30], [0, 1, 0], ['maxBends' => 4]),
            2000,
        ))->run();
        self::assertFalse($found->isExhaustive);
    }

    /** Whatever the search says, by plain geometry: the pieces put end to end, every bend turning as it turns. */
    private static function assertBuildable(Solution $solution, string $name): void
    {
        $problem = $solution->sequence->problem;
        $at = $problem->from->at;
        foreach ($solution->directions as $i => $direction) {
            self::assertEqualsWithDelta(1.0, $direction->length(), 1e-9, $name);
            $at = $at->plus($direction->times($solution->lengths[$i]));
            $cut = $solution->cutMm($i);
            self::assertTrue($cut === null || $cut >= $problem->minLegMm - 1e-6, "{$name}: piece {$i} of {$cut}");
        }
        self::assertLessThanOrEqual(1.0 + 1e-6, $at->minus($problem->to->at)->length(), $name);
        self::assertLessThanOrEqual(
            $problem->playDeg + 1e-6,
            $problem->from->along->angleTo($solution->directions[0]),
            $name,
        );
        self::assertLessThanOrEqual(
            $problem->playDeg + 1e-6,
            $problem->to->along->angleTo($solution->directions[count($solution->directions) - 1]),
            $name,
        );
        foreach ($solution->bends() as $i => $bend) {
            self::assertEqualsWithDelta(
                $bend->turnDeg,
                $solution->directions[$i]->angleTo($solution->directions[$i + 1]),
                2 * $problem->playDeg + 1e-6,
                $name,
            );
        }
    }

    private static function box(Vec3 $middle, float $half): Box
    {
        return new Box(
            new Vec3($middle->x - $half, $middle->y - $half, $middle->z - $half),
            new Vec3($middle->x + $half, $middle->y + $half, $middle->z + $half),
            'box',
        );
    }

    /**
     * @param list<float|int> $from
     * @param list<float|int> $along
     * @param list<float|int> $to
     * @param list<float|int> $leads
     * @param array<string, mixed> $with
     */
    private static function find(
        array $from,
        array $along,
        array $to,
        array $leads,
        array $with = [],
        string $end = 'hub',
    ): SearchResult {
        return (new Search(self::problem($from, $along, $to, $leads, $with, $end)))->run();
    }

    /**
     * @param list<float|int> $from
     * @param list<float|int> $along
     * @param list<float|int> $to
     * @param list<float|int> $leads
     * @param array<string, mixed> $with
     */
    public static function problem(
        array $from,
        array $along,
        array $to,
        array $leads,
        array $with = [],
        string $end = 'hub',
    ): Problem {
        $system = Catalogue::shipped()->system('pvc-dwv-40');
        $vector = static fn (array $v): Vec3 => new Vec3((float) $v[0], (float) $v[1], (float) $v[2]);
        $pipe = $system->pipe('2');

        return (new Problem(
            new OpenEnd($vector($from), $vector($along)->unit() ?? Vec3::up(), $system->key, '2', $end),
            new OpenEnd($vector($to), $vector($leads)->unit() ?? Vec3::up(), $system->key, '2', 'hub'),
            Turnings::list($system, '2'),
            3,
            2 * $pipe->socketDepthMm,
            0.75,
            null,
            null,
            [],
            $pipe->outsideMm / 2,
            $system->coupling('2')->acrossMm ?? 0.0,
        ))->with($with);
    }
}
