<?php

declare(strict_types=1);

namespace FallBend\Core\Tests\Sequence;

use FallBend\Core\Effort\Effort;
use FallBend\Core\Input\BadInput;
use FallBend\Core\Sequence\Breath;
use FallBend\Core\Sequence\DayPlan;
use FallBend\Core\Sequence\DayProblem;
use FallBend\Core\Sequence\DaySearch;
use FallBend\Core\Sequence\SiteJoint;
use PHPUnit\Framework\TestCase;
use Random\Engine\Mt19937;
use Random\Randomizer;

final class DaySearchTest extends TestCase
{
    public function testWhatSetsLongIsMadeFirst(): void
    {
        $problem = self::problem([new SiteJoint('quick', 10.0), new SiteJoint('slow', 10.0, fillMin: 120.0)]);
        $plan = self::plan($problem);
        self::assertSame([10.0, 0.0], $plan->starts);
        self::assertSame([1, 0], $plan->order);
        self::assertSame([130.0, true], [$plan->fillMin, $plan->isOptimal]);
    }

    public function testAJointWaitsUntilWhatItNeedsHasSet(): void
    {
        $problem = self::problem([
            new SiteJoint('on the bench', 5.0, setMin: 30.0, fillMin: 60.0),
            new SiteJoint('in place', 5.0, setMin: 30.0, fillMin: 60.0, needs: ['on the bench']),
        ]);
        self::assertSame([0.0, 35.0], self::plan($problem)->starts);
    }

    public function testWhileSomethingSetsSomethingElseIsMade(): void
    {
        $joints = [
            new SiteJoint('a', 5.0, setMin: 30.0),
            new SiteJoint('b', 5.0, needs: ['a']),
            new SiteJoint('c', 20.0),
        ];
        self::assertSame([0.0, 35.0, 5.0], self::plan(self::problem($joints))->starts);
    }

    public function testTwoWorkAtOnceAndBothAreOnWhatTakesTwo(): void
    {
        $joints = [new SiteJoint('left', 10.0), new SiteJoint('right', 10.0), new SiteJoint('heavy', 10.0, people: 2)];
        $plan = self::plan(self::problem($joints, 2));
        self::assertSame(20.0, $plan->fillMin);
        self::assertSame([1, 2], $plan->who[2]);
        self::assertNotSame($plan->who[0], $plan->who[1]);
        self::assertSame(30.0, self::plan(self::problem($joints, 1))->fillMin);
    }

    public function testNothingInTheLineIsBegunBeforeItIsClosed(): void
    {
        $breaths = [new Breath([new SiteJoint('in the line', 10.0)]), new Breath([new SiteJoint('beside it', 10.0)])];
        self::assertSame([60.0, 0.0], self::plan(new DayProblem($breaths, 1, [60.0, 0.0]))->starts);
    }

    public function testTwoThatNeedEachOtherAreRefused(): void
    {
        $this->expectExceptionObject(BadInput::at('joints', 'need each other: a, b'));
        self::problem([new SiteJoint('a', 1.0, needs: ['b']), new SiteJoint('b', 1.0, needs: ['a'])]);
    }

    public function testNoJointsAreNoWork(): void
    {
        $plan = self::plan(new DayProblem([], 2, []));
        self::assertSame([[], 0.0, true], [$plan->starts, $plan->fillMin, $plan->isOptimal]);
    }

    public function testItIsAsGoodAsTheBestOfAllOrders(): void
    {
        $random = new Randomizer(new Mt19937(15));
        for ($case = 0; $case < 200; $case++) {
            $problem = self::random($random, $random->getInt(2, 6), $random->getInt(1, 2));
            $plan = self::plan($problem);
            self::assertTrue($plan->isOptimal, "case {$case}");
            self::assertEqualsWithDelta(self::bestOfAll($problem), $plan->fillMin, 1e-6, "case {$case}");
        }
    }

    public function testItIsAsGoodAsTheBestOfAllOrdersOfEight(): void
    {
        $random = new Randomizer(new Mt19937(8));
        for ($case = 0; $case < 10; $case++) {
            $problem = self::random($random, $random->getInt(7, 8), 1 + ($case % 2));
            self::assertEqualsWithDelta(self::bestOfAll($problem), self::plan($problem)->fillMin, 1e-6, "case {$case}");
        }
    }

    public function testNoPlanBreaksALimitHoweverLittleItMaySearch(): void
    {
        $random = new Randomizer(new Mt19937(1000));
        for ($case = 0; $case < 1000; $case++) {
            $problem = self::random($random, $random->getInt(1, 30), $random->getInt(1, 2));
            $plan = (new DaySearch($problem, Effort::of(300)))->plan();
            self::assertSame(self::broken($problem, $plan), [], "case {$case}");
            self::assertLessThanOrEqual($plan->fillMin + 1e-6, $plan->boundMin);
        }
    }

    /** @return list<string> limits that a plan breaks */
    private static function broken(DayProblem $problem, DayPlan $plan): array
    {
        $broken = [];
        foreach ($problem->breaths as $i => $breath) {
            $start = $plan->starts[$i];
            if ($start < $problem->releases[$i] - 1e-6) {
                $broken[] = "{$i} begins before it may";
            }
            foreach ($problem->waits[$i] ?? [] as $before => $lag) {
                if ($start < $plan->starts[$before] + $lag - 1e-6) {
                    $broken[] = "{$i} does not wait for {$before}";
                }
            }
            if (count($plan->who[$i]) !== $problem->peopleOn($i)) {
                $broken[] = "{$i} has not its people";
            }
            if ($plan->fillMin < $start + $breath->fillMin - 1e-6) {
                $broken[] = "{$i} is filled too soon";
            }
            foreach (array_keys($problem->breaths) as $k) {
                $isAtOnce =
                    $k > $i &&
                    $plan->starts[$k] < $start + $breath->minutes - 1e-6 &&
                    $start < $plan->starts[$k] + $problem->breaths[$k]->minutes - 1e-6;
                if ($isAtOnce && array_intersect($plan->who[$i], $plan->who[$k]) !== []) {
                    $broken[] = "somebody is at {$i} and {$k} at once";
                }
            }
        }

        return $broken;
    }

    /** The best of all orders, each breath put as early as it fits between those that are placed before it. */
    private static function bestOfAll(DayProblem $problem): float
    {
        $best = INF;
        $place = static function (array $starts) use (&$place, &$best, $problem): void {
            if (count($starts) === count($problem->breaths)) {
                $end = 0.0;
                foreach ($starts as $i => $start) {
                    $end = max($end, $start + $problem->breaths[$i]->fillMin);
                }
                $best = min($best, $end);

                return;
            }
            foreach (array_keys($problem->breaths) as $i) {
                $needs = $problem->waits[$i] ?? [];
                if (! isset($starts[$i]) && array_diff_key($needs, $starts) === []) {
                    $place($starts + [$i => self::earliest($problem, $starts, $i)]);
                }
            }
        };
        $place([]);

        return $best;
    }

    /** @param array<int, float> $starts */
    private static function earliest(DayProblem $problem, array $starts, int $i): float
    {
        $least = $problem->releases[$i];
        foreach ($problem->waits[$i] ?? [] as $before => $lag) {
            $least = max($least, $starts[$before] + $lag);
        }
        $times = [$least];
        foreach ($starts as $k => $start) {
            $times[] = max($least, $start + $problem->breaths[$k]->minutes);
        }
        sort($times);
        foreach ($times as $at) {
            $until = $at + $problem->breaths[$i]->minutes;
            $moments = [$at];
            foreach ($starts as $start) {
                if ($start > $at && $start < $until - 1e-9) {
                    $moments[] = $start;
                }
            }
            $most = 0;
            foreach ($moments as $moment) {
                $busy = 0;
                foreach ($starts as $k => $start) {
                    $isOn = $start <= $moment + 1e-9 && $moment < $start + $problem->breaths[$k]->minutes - 1e-9;
                    $busy += $isOn ? $problem->peopleOn($k) : 0;
                }
                $most = max($most, $busy);
            }
            if ($most + $problem->peopleOn($i) <= $problem->people) {
                return $at;
            }
        }

        return end($times);
    }

    private static function random(Randomizer $random, int $count, int $people): DayProblem
    {
        $breaths = $releases = [];
        for ($i = 0; $i < $count; $i++) {
            $needs = [];
            for ($k = 0; $k < $i; $k++) {
                if ($random->getInt(0, 3) === 0) {
                    $needs[] = "j{$k}";
                }
            }
            $set = (float) $random->getInt(0, 30);
            $joint = new SiteJoint(
                "j{$i}",
                (float) $random->getInt(1, 12),
                $random->getInt(1, 2),
                $set,
                $set + $random->getInt(0, 60),
                $needs,
            );
            $isPair = $random->getInt(0, 4) === 0;
            $breaths[] = new Breath(
                $isPair ? [$joint, new SiteJoint("j{$i}b", 2.0, setMin: 5.0, fillMin: 9.0)] : [$joint],
            );
            $releases[] = $random->getInt(0, 4) === 0 ? (float) $random->getInt(0, 40) : 0.0;
        }

        return new DayProblem($breaths, $people, $releases);
    }

    /** @param list<SiteJoint> $joints */
    private static function problem(array $joints, int $people = 1): DayProblem
    {
        $breaths = array_map(static fn (SiteJoint $joint): Breath => new Breath([$joint]), $joints);

        return new DayProblem($breaths, $people, array_fill(0, count($joints), 0.0));
    }

    private static function plan(DayProblem $problem): DayPlan
    {
        return (new DaySearch($problem, Effort::unlimited()))->plan();
    }
}
