<?php

declare(strict_types=1);

namespace FallBend\Core\Tests\Job;

use FallBend\Core\Catalog\Catalogue;
use FallBend\Core\Evaluation\JobEvaluator;
use FallBend\Core\Input\BadInput;
use FallBend\Core\Job\GroupCopy;
use FallBend\Core\Job\Job;
use FallBend\Core\Job\JobFile;
use FallBend\Core\Job\Marks;
use FallBend\Core\Job\Run;
use FallBend\Core\Tests\Network\CaseJob;
use PHPUnit\Framework\TestCase;
use Random\Engine\Mt19937;
use Random\Randomizer;

/** Every run has a figure that no other run of the job has or ever had; it stands before all its marks. */
final class FiguresTest extends TestCase
{
    private const LEGS = 'north 60 fall 1/4 / right 50 fall 1/4';

    public function testRunsTakeTheNextFigureAndKeepIt(): void
    {
        $job = self::job(['a', 'b'])->figured();
        self::assertSame(['a' => 1, 'b' => 2], $job->figures());
        self::assertSame($job, $job->figured(), 'nothing is other: it is the same job');
        $without = $job->withRuns([$job->runs[1]]);
        $more = $without->withRuns([...$without->runs, ...self::job(['c'])->runs])->figured();
        self::assertSame(['b' => 2, 'c' => 3], $more->figures(), 'that of a run that is gone is not used again');
    }

    public function testOfTwoRunsWithOneFigureThatWhichIsKeptHasIt(): void
    {
        $start = self::job(['a'])->figured();
        $kept = $start->withRuns([...$start->runs, ...self::job(['mine'])->runs])->figured();
        $later = $start->withRuns([...self::job(['theirs'])->runs, ...$start->runs])->figured();
        self::assertSame([2, 2], [$kept->figures()['mine'], $later->figures()['theirs']]);
        $joined = $later->withRuns([...$later->runs, $kept->runs[1]])->figured($kept->figures(), $kept->nextFigure);
        self::assertSame(['theirs' => 3, 'a' => 1, 'mine' => 2], $joined->figures());
        // The same where the kept run is in the plan no more: what lies cut may have its marks.
        self::assertSame(3, $later->figured($kept->figures(), $kept->nextFigure)->figures()['theirs']);
    }

    public function testARunThatWasMarkedWithoutOneKeepsItsMarksWhereSomethingIsDoneOfIt(): void
    {
        $marked = array_map(
            static fn (Run $run): Run => $run->withMarks((new Marks)->allot(['l1.1'], ['outlet'])),
            self::job(['cut', 'bare'])->runs,
        );
        $job = self::job(['cut', 'bare'])->withRuns($marked);
        self::assertSame([], $job->figured()->figures(), 'not without asking the log');
        self::assertSame(['bare' => 1], $job->remarked(['cut'])->figures());
        self::assertSame(['cut' => 1, 'bare' => 2], $job->remarked([])->figures());
    }

    public function testTheFileHoldsThemAndAUsedUpFigureIsRefused(): void
    {
        $file = new JobFile(Catalogue::shipped());
        $job = self::job(['a', 'b'])->figured();
        $text = $file->write($job);
        self::assertSame($job->figures(), $file->parse($text)->figures());
        self::assertSame(3, $file->parse($text)->nextFigure);
        self::assertSame([$job->figures(), 3], JobFile::figures(JobFile::decoded($text)));
        $last = $file->parse(str_replace('"next_figure":3', '"next_figure":'.Marks::FIGURES_END, $text));
        $this->expectException(BadInput::class);
        $last->withRuns([...$last->runs, ...self::job(['c'])->runs])->figured();
    }

    /** Runs come, go, are copied, come back and are kept by two at once: no mark stands on two pipes. */
    public function testNoTwoPiecesOfAJobHaveOneMark(): void
    {
        $evaluator = new JobEvaluator(Catalogue::shipped());
        for ($seed = 1; $seed <= 12; $seed++) {
            $chance = new Randomizer(new Mt19937($seed));
            $kept = $evaluator->evaluate(self::job(['r0', 'r1']))->job();
            [$history, $written] = [[$kept], []];
            for ($step = 1; $step <= 12; $step++) {
                $from = $chance->getInt(0, 2) === 0 ? $history[$chance->getInt(0, count($history) - 1)] : $kept;
                $plan = self::changed($from, $step, $chance);
                $plan = $plan->keepingMarks($kept->marks())->figured($kept->figures(), $kept->nextFigure);
                $evaluated = $evaluator->evaluate($plan);
                $kept = $evaluated->job();
                $history[] = $kept;
                foreach ($evaluated->layout()->runs as $id => $run) {
                    $marks = array_column($run->pieces, 'letter', 'key') + array_column($run->joints, 'mark', 'key');
                    foreach ($marks as $key => $mark) {
                        $written[$mark] ??= "{$id} {$key}";
                        // A run that comes back has the marks that it had.
                        self::assertSame("{$id} {$key}", $written[$mark], "seed {$seed}, step {$step}: {$mark}");
                    }
                }
            }
            self::assertGreaterThan(20, count($written));
        }
    }

    private static function changed(Job $job, int $step, Randomizer $chance): Job
    {
        $at = $job->runs === [] ? -1 : $chance->getInt(0, count($job->runs) - 1);

        $what = $chance->pickArrayKeys(['new' => 1, 'copy' => 1, 'gone' => 1, 'said' => 1], 1)[0];

        return match ($at < 0 ? 'new' : $what) {
            'new' => $job->withRuns([...$job->runs, ...self::job(["n{$step}"])->runs]),
            'copy' => GroupCopy::repeated($job, $job->runs[$at]->id, 0.0, 1, false),
            'gone' => $job->withRuns(array_values(array_diff_key($job->runs, [$at => 0]))),
            default => (new JobEvaluator(Catalogue::shipped()))
                ->evaluate($job, ['run' => $job->runs[$at]->id, 'text' => self::LEGS.' / left 40 fall 1/4'])
                ->job(),
        };
    }

    /** @param list<string> $ids */
    private static function job(array $ids): Job
    {
        return CaseJob::of(
            'ipc-2021',
            array_fill_keys($ids, ['socket', self::LEGS, 'socket', ['size' => '2']]),
        );
    }
}
