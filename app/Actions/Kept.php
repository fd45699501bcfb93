<?php

declare(strict_types=1);

namespace App\Actions;

use App\Evaluations\JobEvaluation;
use App\Models\Job;
use App\Models\Revision;

/** A revision of a job, read and evaluated once, with the numbers of the crew that the job belongs to. */
final readonly class Kept
{
    public function __construct(
        public Job $job,
        public Revision $revision,
        public JobEvaluation $evaluation,
    ) {}
}
