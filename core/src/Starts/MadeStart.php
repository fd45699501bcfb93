<?php

declare(strict_types=1);

namespace FallBend\Core\Starts;

use FallBend\Core\Job\Job;

/** What was made of a start. */
final readonly class MadeStart
{
    /**
     * @param ?Job $job null where something is wrong
     * @param array<string, string> $problems by id of the field; an empty id: of no field
     * @param list<string> $later labels of what was left to be measured later
     * @param list<string> $stands ids of the runs that stand already: nothing of them is cut
     */
    public function __construct(
        public ?Job $job,
        public array $problems,
        public array $later,
        public array $stands = [],
    ) {}
}
