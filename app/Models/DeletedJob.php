<?php

declare(strict_types=1);

namespace App\Models;

use RuntimeException;

/** A job that was deleted, and can still be put back from the board. */
final class DeletedJob extends RuntimeException
{
    public function __construct(Job $job)
    {
        $by = $job->deletedBy->name ?? 'somebody';
        parent::__construct(
            "“{$job->name}” was deleted by {$by}. It can be put back from the board, under Deleted.",
        );
    }
}
