<?php

declare(strict_types=1);

namespace FallBend\Core\Tests\Cases;

use FallBend\Core\Catalog\Catalogue;
use FallBend\Core\Evaluation\EvaluatedJob;
use FallBend\Core\Evaluation\JobEvaluator;
use FallBend\Core\Job\BranchAt;
use FallBend\Core\Job\End;
use FallBend\Core\Job\Job;
use FallBend\Core\Job\Leg;
use FallBend\Core\Job\RunEndKind;
use FallBend\Core\Job\Way;
use FallBend\Core\Measure\Length;
use FallBend\Core\Tests\Network\CaseJob;
use FallBend\Core\Verdict\Finding;
use FallBend\Core\Verdict\RuleId;
use PHPUnit\Framework\Assert;

/**
 * Branches into a run at an angle in plan: what fitting and bend are offered, how far they are rolled, or that a
 * fitting makes it.
 *
 * @phpstan-type Row array{
 *     why: string,
 *     angle: float|int,
 *     book?: string,
 *     pipe?: array<string, string>,
 *     fitting?: string,
 *     bend?: string,
 *     roll_deg?: float,
 *     off_deg?: float,
 * }
 */
final class OddBranchCase
{
    /** A line that falls meets another that falls: the roll is not quite that of two level ones. */
    private const ROLL_DEG = 3.0;

    /** @param Row $case */
    public static function check(array $case): void
    {
        $job = (new JobEvaluator(Catalogue::shipped()))->evaluate(
            self::job((float) $case['angle'], $case['book'] ?? 'upc-2021', $case['pipe'] ?? []),
        );
        $finding = self::findingOf($job, RuleId::BranchNoAngle);
        if (! isset($case['fitting']) && ! isset($case['off_deg'])) {
            Assert::assertNull($finding, $case['why']);
            Assert::assertNull(self::findingOf($job, RuleId::JointStrain), $case['why']);

            return;
        }
        Assert::assertNotNull($finding, $case['why']);
        Assert::assertArrayHasKey('one_fitting', $finding->params, $case['why']);
        Assert::assertArrayHasKey('other_fitting', $finding->params, 'it is offered the other way round as well');
        if (isset($case['off_deg'])) {
            Assert::assertGreaterThan($case['off_deg'], $finding->params['off_deg'], $case['why']);
        }
        if (isset($case['fitting'], $case['bend'], $case['roll_deg'])) {
            $said = $finding->params;
            Assert::assertStringContainsString($case['fitting'], (string) $said['one_fitting'], $case['why']);
            Assert::assertSame($case['bend'], $said['one_bend'], $case['why']);
            Assert::assertEqualsWithDelta($case['roll_deg'], $said['one_roll_deg'], self::ROLL_DEG, $case['why']);
        }
    }

    /**
     * Gives a job in which a run meets another one at an angle in plan.
     *
     * @param array<string, string> $pipe
     */
    public static function job(float $angle, string $book = 'upc-2021', array $pipe = []): Job
    {
        $job = CaseJob::of($book, [
            'main' => ['socket', 'south 6000 mm fall 20 mm/m', 'socket', $pipe + ['size' => '4']],
            'side' => ['socket', 'south 2500 mm fall 20 mm/m', 'socket', $pipe + ['size' => '3']],
        ]);
        $side = $job->run('side') ?? Assert::fail('it is there');
        $legs = [
            new Leg('l1', Way::South, null, Length::mm(400.0), fallMmPerM: 20.0),
            new Leg('l2', Way::Left, $angle, Length::mm(2500.0), fallMmPerM: 20.0),
        ];
        $tieIn = new End('into main', RunEndKind::Branch, branch: new BranchAt('main', 'l1', 3000.0));

        return $job->withRun($side->withLegs($legs, 3)->withEnds($side->outlet, $tieIn));
    }

    /** Gives the first finding of a rule in a job, or null. */
    public static function findingOf(EvaluatedJob $job, RuleId $rule): ?Finding
    {
        foreach (array_keys($job->layout()->runs) as $run) {
            foreach ($job->findings($run) as $finding) {
                if ($finding->rule === $rule) {
                    return $finding;
                }
            }
        }

        return null;
    }
}
