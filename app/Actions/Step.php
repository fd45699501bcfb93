<?php

declare(strict_types=1);

namespace App\Actions;

use FallBend\Core\Job\Job as Plan;
use FallBend\Core\Job\Marks;

/** What is to follow the newest revision of a job. */
final readonly class Step
{
    /**
     * @param ?int $undoTo number of the revision that undo brings back
     * @param ?int $redoTo number of the revision that redo brings back
     * @param array<array-key, mixed> $document that the plan was read of, where it was sent
     */
    public function __construct(
        public Plan $plan,
        public string $gesture,
        public ?int $undoTo,
        public ?int $redoTo,
        public array $document = [],
    ) {}

    /**
     * The same with the marks of what is kept: they stand on the pipe.
     *
     * @param array<string, array{Marks, int}> $marks by run, with the number of its next leg
     * @param array<string, int> $figures of the runs, by id
     * @param int $nextFigure that a new run has
     */
    public function onto(array $marks, array $figures, int $nextFigure): self
    {
        return new self(
            $this->plan->keepingMarks($marks)->figured($figures, $nextFigure),
            $this->gesture,
            $this->undoTo,
            $this->redoTo,
            $this->document,
        );
    }
}
