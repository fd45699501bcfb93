<?php

declare(strict_types=1);

namespace App\Actions;

use App\Models\Job;
use App\Models\Revision;
use FallBend\Core\Job\Job as Plan;

/** A revision of a job with its plan and what that comes to: read once, evaluated once. */
final readonly class Kept
{
    /** @param  array<string, mixed>  $evaluation of the plan, with the numbers of the crew that the job belongs to */
    public function __construct(
        public Job $job,
        public Revision $revision,
        public Plan $plan,
        public array $evaluation,
    ) {}
}
