<?php

declare(strict_types=1);

namespace App\Console\Commands;

use App\Log\JobLog;
use App\Models\Job;
use Illuminate\Console\Command;

/** Looks whether the logs of jobs are as they were written. */
final class VerifyLogCommand extends Command
{
    protected $signature = 'log:verify {--job= : the id of one job, instead of all}';

    protected $description = 'Look whether any entry of a log was changed, moved, put in or taken out';

    public function handle(): int
    {
        $one = $this->option('job');
        $jobs = Job::query()->orderBy('id');
        [$looked, $bad] = [0, 0];
        foreach (is_string($one) ? $jobs->where('id', $one)->get() : $jobs->lazy() as $job) {
            $looked++;
            $faults = JobLog::faults($job);
            $bad += $faults === [] ? 0 : 1;
            foreach ($faults as $fault) {
                $this->line("{$job->id} {$job->name}: {$fault}");
            }
        }
        $this->line("{$looked} logs looked at, {$bad} not as they were written.");

        return $bad === 0 ? 0 : 1;
    }
}
