<?php

declare(strict_types=1);

namespace App\Actions;

use App\Models\Job;
use RuntimeException;

/** An edit that started from a revision that is no longer the newest. Carries the job as it is now. */
final class StaleEdit extends RuntimeException
{
    public function __construct(public readonly Job $job)
    {
        parent::__construct('Somebody else has changed this job since. Your change was not kept here yet.');
    }
}
