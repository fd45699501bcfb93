<?php

declare(strict_types=1);

namespace App\Actions;

use App\Evaluations\JobEvaluation;
use App\Log\JobLog;
use App\Models\Job;
use App\Models\Revision;
use FallBend\Core\Input\BadInput;
use FallBend\Core\Job\Job as Plan;
use FallBend\Core\Job\JobFile;
use FallBend\Core\Job\LedgerMending;
use FallBend\Core\Report\BoardSummary;
use FallBend\Core\Site\Progress;

/**
 * Reads what is stored of a job. The numbers that go before the lists are those of the crew that the job belongs to.
 *
 * @phpstan-import-type JobSummary from BoardSummary
 */
final readonly class OpenJob
{
    /** So many revisions are tried, to find one that can be read. */
    private const LOOKED_BACK = 200;

    public function __construct(private JobFile $file, private EvaluateJob $evaluate) {}

    /**
     * The newest revision. Whether it can be read is noted on the job, so that the board says so.
     *
     * @throws UnreadableJob
     */
    public function newest(Job $job): Kept
    {
        try {
            $kept = $this->at($job, $job->headRevision());
        } catch (BadInput $bad) {
            $unreadable = UnreadableJob::because($job, $bad);
            $job->note(['unreadable' => mb_substr($unreadable->getMessage(), 0, 2_000)]);

            throw $unreadable;
        }
        if ($job->unreadable !== null || $job->summary_version !== BoardSummary::VERSION) {
            $job->note(['unreadable' => null] + self::summary($kept->evaluation, $job->id));
        }

        return $kept;
    }

    /** @throws BadInput if the revision cannot be read, or not be evaluated */
    public function at(Job $job, Revision $revision): Kept
    {
        $evaluation = $this->evaluate->ofCrew(
            $this->plan($revision)->onSite(JobLog::onSite($job->id)),
            $job->crew_id,
        );
        // What cannot be worked out is not open.
        $evaluation->workOut();

        return new Kept($job, $revision, $evaluation);
    }

    /** @throws BadInput if the revision cannot be read */
    public function plan(Revision $revision): Plan
    {
        return $this->file->parse($revision->text());
    }

    /** The plan of a revision that is read once its ledgers are mended; null where something else is wrong with it. */
    public function mended(Revision $revision): ?Plan
    {
        $document = json_decode($revision->text(), true);
        if (! is_array($document)) {
            return null;
        }
        try {
            return $this->file->read(LedgerMending::mended($document, JobLog::onSite($revision->job_id))[0]);
        } catch (BadInput) {
            return null;
        }
    }

    /** Makes what the board shows of a job anew: something was cut of it. One that cannot be read has none. */
    public function summarise(Job $job): void
    {
        try {
            $job->note(self::summary($this->at($job, $job->newest())->evaluation, $job->id));
        } catch (BadInput) {
            // Whoever opens it is told why.
        }
    }

    /** The newest revision that can be read and evaluated; null where none of the last ones can. */
    public function lastReadable(Job $job): ?Revision
    {
        for ($number = $job->head; $number > max(0, $job->head - self::LOOKED_BACK); $number--) {
            $revision = $job->revision($number);
            try {
                $this->at($job, $revision);

                return $revision;
            } catch (BadInput) {
                // The one before may be whole.
            }
        }

        return null;
    }

    /**
     * What the board shows of a job, as its columns.
     *
     * @param ?string $id of the job whose log is read; null: nothing is done of it yet
     * @return array{summary: JobSummary, station: string, summary_version: int}
     */
    public static function summary(JobEvaluation $job, ?string $id): array
    {
        $summary = $job->summary($id === null ? new Progress : JobLog::progress($id));

        return [
            'summary' => $summary,
            'station' => $summary['station'],
            'summary_version' => BoardSummary::VERSION,
        ];
    }
}
