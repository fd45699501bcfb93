<?php

declare(strict_types=1);

namespace App\Console\Commands;

use App\Actions\OpenJob;
use App\Actions\UnreadableJob;
use App\Log\JobLog;
use App\Models\Job;
use App\Models\Revision;
use FallBend\Core\Input\BadInput;
use FallBend\Core\Job\JobFile;
use FallBend\Core\Job\LedgerMending;
use Illuminate\Console\Command;

/**
 * Reads every revision of every job and says which cannot be read, and why. Nothing is changed unless `--mend` is
 * given.
 */
final class CheckJobsCommand extends Command
{
    protected $signature = 'jobs:check
        {--mend : give every place a mark of its own again where two have one, in revisions that cannot be read for that}
        {--job= : the id of one job, instead of all}';

    protected $description = 'Read every revision of every job, and report what cannot be read';

    public function handle(OpenJob $open, JobFile $file): int
    {
        [$jobs, $revisions, $bad] = [0, 0, 0];
        foreach ($this->wanted() as $id) {
            $job = Job::query()->findOrFail($id);
            $jobs++;
            for ($number = 1; $number <= $job->head; $number++) {
                $revisions++;
                $bad += $this->isGood($job, $job->revision($number), $open, $file) ? 0 : 1;
            }
            try {
                $open->newest($job);
            } catch (UnreadableJob $unreadable) {
                $this->line("{$job->id} {$job->name}: cannot be opened: {$unreadable->getMessage()}");
                $bad = max(1, $bad);
            }
        }
        $this->line("{$jobs} jobs, {$revisions} revisions read, {$bad} cannot be read.");

        return $bad === 0 ? 0 : 1;
    }

    /** @return list<string> ids of the jobs to be read */
    private function wanted(): array
    {
        $one = $this->option('job');
        $ids = [];
        foreach (is_string($one) ? [$one] : Job::query()->orderBy('id')->pluck('id') as $id) {
            $ids[] = is_string($id) ? $id : '';
        }

        return $ids;
    }

    private function isGood(Job $job, Revision $revision, OpenJob $open, JobFile $file): bool
    {
        try {
            $open->plan($revision);

            return true;
        } catch (BadInput $bad) {
            $this->line("{$job->id} {$job->name}, revision {$revision->number}: ".UnreadableJob::inWords($bad));
        }

        return $this->option('mend') && $this->mend($revision, $open, $file);
    }

    private function mend(Revision $revision, OpenJob $open, JobFile $file): bool
    {
        $plan = $open->mended($revision);
        if ($plan === null) {
            $this->line('  not mended: its ledger of marks is not all that is wrong with it');

            return false;
        }
        $document = json_decode($revision->text(), true);
        $site = JobLog::onSite($revision->job_id);
        foreach (is_array($document) ? LedgerMending::mended($document, $site)[1] : [] as $change) {
            $this->line("  mended: {$change}");
        }
        $revision->replace($file->write($plan));

        return true;
    }
}
