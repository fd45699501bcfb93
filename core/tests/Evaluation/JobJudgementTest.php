<?php

declare(strict_types=1);

namespace FallBend\Core\Tests\Evaluation;

use FallBend\Core\Catalog\Catalogue;
use FallBend\Core\Evaluation\JobJudgement;
use FallBend\Core\Evaluation\NetworkReport;
use FallBend\Core\Job\BranchAt;
use FallBend\Core\Job\End;
use FallBend\Core\Job\FixtureHead;
use FallBend\Core\Job\Job;
use FallBend\Core\Job\Leg;
use FallBend\Core\Job\Obstacle;
use FallBend\Core\Job\Run;
use FallBend\Core\Measure\Length;
use FallBend\Core\Rules\Network\NetworkRuleSet;
use FallBend\Core\Rules\RuleSet;
use FallBend\Core\Tests\FlatBlock;
use FallBend\Core\Verdict\Finding;
use PHPUnit\Framework\Attributes\TestDox;
use PHPUnit\Framework\TestCase;

final class JobJudgementTest extends TestCase
{
    private Catalogue $catalogue;

    protected function setUp(): void
    {
        $this->catalogue = Catalogue::shipped();
    }

    #[TestDox('Judging again after any edit gives what judging the edited job from cold gives')]
    public function test_incremental_equals_cold(): void
    {
        mt_srand(20261125);
        $judgement = $this->judge(FlatBlock::of(7));
        $verdicts = [];
        for ($i = 0; $i < 60; $i++) {
            $job = $this->edited($judgement->layout->job);
            $judgement = $this->judge($job, $judgement);
            $told = $this->told($judgement);
            self::assertSame($this->told($this->judge($job)), $told, "edit {$i}");
            $verdicts[md5($told)] = true;
        }
        self::assertGreaterThan(40, count($verdicts), 'most edits change something');
    }

    #[TestDox('An edit in one flat lays out again nothing but what it touches')]
    public function test_takes_over(): void
    {
        $before = $this->judge(FlatBlock::of(7));
        $layouts = $before->layout->runs;
        $after = $this->judge(FlatBlock::edited($before->layout->job, 3, 25.0), $before);
        $anew = array_keys(array_filter($after->layout->runs, static fn ($layout, string $id): bool => $layout !== $layouts[$id], ARRAY_FILTER_USE_BOTH));
        self::assertSame(['f3x0', 'f3x0v'], $anew, 'the arm, and the vent that stands on it');
        self::assertSame($before->network->segments[0], $after->network->segments[0], 'the pipes are moved, not made anew');
    }

    /** One random edit of every kind that the interface offers. */
    private function edited(Job $job): Job
    {
        $run = $job->runs[mt_rand(0, count($job->runs) - 1)];
        $fixtures = array_values(array_filter($job->runs, static fn (Run $one): bool => $one->outlet->fixture !== null));
        $fixture = $fixtures[mt_rand(0, count($fixtures) - 1)];

        return match (mt_rand(0, 7)) {
            0, 1 => $job->withRun($this->stretched($run, mt_rand(0, count($run->legs) - 1), mt_rand(-60, 200))),
            2 => $job->withRun(self::with($fixture, ['outlet' => new End('changed', 'fixture', fixture: new FixtureHead(['bath', 'water-closet', 'lavatory', 'mop-sink'][mt_rand(0, 3)], 'p', rimMm: (float) mt_rand(100, 1500)))])),
            3 => $job->withRun(self::with($fixture, ['tieIn' => new End('moved', 'branch', branch: new BranchAt($fixture->tieIn->branch->run ?? '', 'l1', (float) mt_rand(800, 12_000)))])),
            4 => $job->withRuns(array_values(array_filter($job->runs, static fn (Run $one): bool => $one->id !== $fixture->id && $one->outlet->branch?->run !== $fixture->id))),
            5 => $job->withRun(self::with($run, ['size' => ['1-1/2', '2', '3', '4'][mt_rand(0, 3)]])),
            6 => $job->withRun(self::with($run, ['headingDeg' => (float) mt_rand(0, 359)])),
            7 => $job->withObstacles([...$job->obstacles, new Obstacle('o'.count($job->obstacles), ['cleanout', 'joist', 'trap', 'cold'][mt_rand(0, 3)], 'something', $run->id, 'l1', 100.0)]),
        };
    }

    private function stretched(Run $run, int $leg, int $byMm): Run
    {
        $legs = $run->legs;
        $old = $legs[$leg];
        $legs[$leg] = new Leg($old->id, $old->way, $old->turnDeg, Length::mm(max(60.0, ($old->length?->toMm() ?? 0.0) + $byMm)), fallMmPerM: $old->fallMmPerM);

        return $run->withLegs($legs, $run->nextLeg);
    }

    /** @param  array<string, mixed>  $with */
    private static function with(Run $run, array $with): Run
    {
        return new Run(...[...get_object_vars($run), ...$with]);
    }

    private function judge(Job $job, ?JobJudgement $before = null): JobJudgement
    {
        return JobJudgement::of($job, $this->catalogue, $this->catalogue->rulebook('ipc-2021'), new RuleSet($this->catalogue), new NetworkRuleSet, $before);
    }

    private function told(JobJudgement $judgement): string
    {
        $findings = array_map(static fn (string $id): array => array_map(static fn (Finding $f): array => [$f->rule, $f->severity->value, $f->where->toArray(), $f->measured, $f->limit, $f->params], $judgement->findings($id)), array_keys($judgement->layout->runs));

        return json_encode([$findings, (new NetworkReport($judgement->network, $this->catalogue->rulebook('ipc-2021')))->toArray()], JSON_THROW_ON_ERROR);
    }
}
