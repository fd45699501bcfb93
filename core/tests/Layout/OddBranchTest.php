<?php

declare(strict_types=1);

namespace FallBend\Core\Tests\Layout;

use FallBend\Core\Catalog\Catalogue;
use FallBend\Core\Evaluation\EvaluatedJob;
use FallBend\Core\Evaluation\JobEvaluator;
use FallBend\Core\Geometry\Vec3;
use FallBend\Core\Job\BranchAt;
use FallBend\Core\Job\End;
use FallBend\Core\Job\Job;
use FallBend\Core\Job\Leg;
use FallBend\Core\Job\RunEndKind;
use FallBend\Core\Job\Way;
use FallBend\Core\Layout\OddBranch;
use FallBend\Core\Measure\Length;
use FallBend\Core\Tests\Cases\OddBranchCase;
use FallBend\Core\Verdict\Finding;
use FallBend\Core\Verdict\RuleId;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;

/** A branch at an angle that no fitting makes is made of a fitting and a rolled bend. */
final class OddBranchTest extends TestCase
{
    public function testAWyeAndARolled45ReachEveryPlanAngle(): void
    {
        $system = Catalogue::shipped()->system('pvc-dwv-40');
        $flow = Vec3::direction(180.0, 1.19);
        for ($plan = 0.0; $plan <= 90.0; $plan += 2.5) {
            $in = Vec3::direction(180.0 - $plan, 1.19);
            $way = OddBranch::ways($system, $in, $flow, ['4', '3'])[0] ?? self::fail("no way at {$plan}");
            self::assertSame(['wye', 'eighth'], [$way->branch->pattern, $way->bend->pattern], "{$plan}");
            self::assertEqualsWithDelta(45.0, $way->direction->angleTo($flow), 0.6, "{$plan}");
            self::assertEqualsWithDelta(45.0, $way->direction->angleTo($in), 0.6, "{$plan}");
            self::assertLessThan(0.0, $way->direction->z, 'water runs down in it');
            self::assertEqualsWithDelta(1.0, $way->direction->length(), 1e-9);
            self::assertGreaterThan(-1.0, $way->rollDeg, 'it never looks down');
        }
    }

    /** @return iterable<string, array{float}> */
    public static function angles(): iterable
    {
        foreach ([20.0, 35.0, 52.0, 60.0, 68.0, 75.0] as $angle) {
            yield "{$angle}°" => [$angle];
        }
    }

    /** What the finding says to do, done: the fitting is found, the bend is found, and nothing moves in plan. */
    #[DataProvider('angles')]
    public function testWhatIsOfferedIsLaidOut(float $angle): void
    {
        $before = (new JobEvaluator(Catalogue::shipped()))->evaluate(OddBranchCase::job($angle));
        $finding = OddBranchCase::findingOf($before, RuleId::BranchNoAngle) ?? self::fail('an odd angle is said');
        self::assertSame('side', $finding->params['branch_run']);
        foreach (['one', 'other'] as $which) {
            $mended = self::mended(OddBranchCase::job($angle), $finding, $which);
            $after = (new JobEvaluator(Catalogue::shipped()))->evaluate($mended);
            // A fitting stands there, a bend turns it there, and there is room for a piece between.
            foreach ([RuleId::BranchNoAngle, RuleId::TurnImpossible, RuleId::PieceTooShort] as $rule) {
                self::assertNull(OddBranchCase::findingOf($after, $rule), "{$which}: {$rule->value}");
            }
            $start = static fn (EvaluatedJob $job): Vec3 => $job->layout()->offsets['side'];
            $moved = $start($after)->minus($start($before));
            // It lies higher by what the short leg falls; in plan it begins where it did.
            self::assertEqualsWithDelta(0.0, hypot($moved->x, $moved->y), 1.0, $which);
            self::assertGreaterThan(0.0, $moved->z);
        }
    }

    private static function mended(Job $job, Finding $finding, string $which): Job
    {
        $of = static fn (string $name): float => (float) ($finding->params["{$which}_{$name}"] ?? 0.0);
        $run = $job->run('side') ?? self::fail('it is there');
        $last = $run->legs[1];
        $branch = $run->tieIn->branch ?? self::fail('it enters');
        $legs = [
            $run->legs[0],
            new Leg('l2', $last->way, $last->turnDeg, Length::mm(2500.0 - $of('shorter')), fallMmPerM: 20.0),
            new Leg(
                'l3',
                $of('turn_deg') < 0.0 ? Way::Left : Way::Right,
                abs($of('turn_deg')),
                Length::mm($of('long')),
                fallMmPerM: $of('fall'),
            ),
        ];
        $at = new BranchAt('main', 'l1', ($branch->atMm ?? 0.0) + $of('further'));

        return $job->withRun(
            $run->withLegs($legs, 4)->withEnds($run->outlet, new End('into main', RunEndKind::Branch, branch: $at)),
        );
    }
}
