<?php

declare(strict_types=1);

namespace App\Actions;

use FallBend\Core\Job\Job as Plan;

/** What somebody wants to be kept of a job. */
final readonly class Edit
{
    /**
     * @param array<array-key, mixed> $document as it was sent
     * @param Plan $plan read of that
     * @param int $from number of the revision that it was made of
     * @param string $gesture edits of one gesture are undone together
     */
    public function __construct(
        public array $document,
        public Plan $plan,
        public int $from,
        public string $gesture,
    ) {}
}
