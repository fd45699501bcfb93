<?php

declare(strict_types=1);

namespace App\Console\Commands;

use App\Actions\PutAway;
use Illuminate\Console\Command;

/** Takes out for good the jobs that were deleted long enough ago. `bin/start` does it beside serving. */
final class ForgetDeletedJobsCommand extends Command
{
    protected $signature = 'jobs:forget-deleted';

    protected $description = 'Take out for good the jobs that were deleted more than 30 days ago';

    public function handle(PutAway $away): int
    {
        $all = 0;
        while (($gone = $away->forget()) > 0) {
            $all += $gone;
        }
        $this->line("{$all} taken out.");

        return 0;
    }
}
