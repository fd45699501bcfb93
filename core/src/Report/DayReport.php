<?php

declare(strict_types=1);

namespace FallBend\Core\Report;

use FallBend\Core\Catalog\Provenance;
use FallBend\Core\Evaluation\EvaluatedJob;
use FallBend\Core\Input\BadInput;
use FallBend\Core\Recording\AsJoined;
use FallBend\Core\Sequence\DayAsked;
use FallBend\Core\Sequence\DoneJoints;
use FallBend\Core\Sequence\GlueClock;
use FallBend\Core\Sequence\Hands;
use FallBend\Core\Sequence\Repairs;
use FallBend\Core\Sequence\RunTimes;
use FallBend\Core\Sequence\SingleJoints;
use FallBend\Core\Sequence\SiteTimetable;
use FallBend\Core\Sequence\Troubles;
use FallBend\Core\Site\SiteLog;
use FallBend\Core\Verdict\FindingReport;

/**
 * The day in which a run is joined, with what happened of it so far: what is wrong and what to do about it, what was
 * cut out and what goes in instead, and where the plan says something else than what is joined.
 *
 * @phpstan-import-type WrittenDay from GlueClock
 * @phpstan-import-type Held from Hands
 * @phpstan-import-type MadeJoint from RunTimes
 * @phpstan-import-type WrittenSingle from SingleJoints
 * @phpstan-import-type WrongJoint from Troubles
 * @phpstan-import-type Repair from Repairs
 * @phpstan-import-type SaidFinding from FindingReport
 * @phpstan-import-type Source from Provenance
 *
 * @phpstan-type WrittenDayReport array{
 *     goes: bool,
 *     unsettled: list<int>,
 *     day: WrittenDay|null,
 *     hands: list<Held>,
 *     made: list<MadeJoint>,
 *     findings: list<SaidFinding>,
 *     sources: list<Source>,
 *     wrong: list<WrongJoint>,
 *     repairs: list<Repair>,
 *     singles: list<WrittenSingle>,
 * }
 */
final readonly class DayReport
{
    public function __construct(private EvaluatedJob $job) {}

    /**
     * @param ?SiteLog $log what happened on site; null: nothing did
     * @return WrittenDayReport
     *
     * @throws BadInput if the job has no such run
     */
    public function ofRun(string $run, DayAsked $asked, ?SiteLog $log): array
    {
        $day = $this->job->day($run)->toArray($asked, $log === null ? null : DoneJoints::of($log, $run));
        if ($log === null) {
            return $day + ['wrong' => [], 'repairs' => [], 'singles' => []];
        }
        $layout = $this->job->run($run);
        $table = new SiteTimetable($this->job->catalogue, $this->job->book, $this->job->job()->conditions);
        $times = new RunTimes($layout, $table);
        $repairs = new Repairs($layout, $times, $log);

        return [
            'findings' => [...$this->differs($run, $log), ...$day['findings']],
            'wrong' => $repairs->wrong(),
            'repairs' => $repairs->repairs($this->job->cutting()),
            'singles' => $this->singles()->written($log),
        ] + $day;
    }

    /**
     * Gives where the plan says something else than what is joined.
     *
     * @return list<SaidFinding>
     *
     * @throws BadInput if the job has no such run
     */
    public function differs(string $run, SiteLog $log): array
    {
        $layout = $this->job->run($run);
        $table = new SiteTimetable($this->job->catalogue, $this->job->book, $this->job->job()->conditions);
        $findings = (new AsJoined($layout, new RunTimes($layout, $table)))->findings($log);

        return FindingReport::list($findings, $this->job->said->units);
    }

    private function singles(): SingleJoints
    {
        return new SingleJoints($this->job->job(), $this->job->catalogue, $this->job->book);
    }
}
