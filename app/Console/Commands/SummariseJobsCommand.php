<?php

declare(strict_types=1);

namespace App\Console\Commands;

use App\Actions\OpenJob;
use App\Actions\UnreadableJob;
use App\Models\Job;
use FallBend\Core\Report\BoardSummary;
use Illuminate\Console\Command;
use Throwable;

/** Makes what the board shows of jobs that were kept by an earlier version. `bin/start` does it beside serving. */
final class SummariseJobsCommand extends Command
{
    protected $signature = 'jobs:summarise';

    protected $description = 'Make what the board shows of jobs that an earlier version kept';

    public function handle(OpenJob $open): int
    {
        foreach (Job::query()->where('summary_version', '<', BoardSummary::VERSION)->lazyById(50, 'id') as $job) {
            try {
                $open->newest($job);
            } catch (UnreadableJob $unreadable) {
                // Noted on the job; the board says so.
                $this->line("{$job->name}: {$unreadable->getMessage()}");
            } catch (Throwable $bug) {
                // One job that cannot be worked out keeps no other from the board.
                report($bug);
            }
        }

        return 0;
    }
}
