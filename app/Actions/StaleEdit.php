<?php

declare(strict_types=1);

namespace App\Actions;

use App\Models\Job;
use RuntimeException;

/** An edit that started from a revision that is no longer the newest. Carries the job as it is now. */
final class StaleEdit extends RuntimeException
{
    /** @param int $from the revision that the edit started from */
    public function __construct(public readonly Job $job, public readonly int $from)
    {
        parent::__construct('This job was changed since. Your change was not kept here yet.');
    }
}
