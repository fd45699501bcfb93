<?php

declare(strict_types=1);

namespace FallBend\Core\Job;

use FallBend\Core\Catalog\CatalogueOverride;
use FallBend\Core\Catalog\RulebookOverride;
use FallBend\Core\Measure\Units;

/** A whole job, as one document. */
final readonly class Job
{
    /**
     * @param list<Run> $runs
     * @param list<CatalogueOverride> $catalogueOverrides
     * @param list<RulebookOverride> $rulebookOverrides
     */
    public function __construct(
        public string $name,
        public string $place,
        public Units $units,
        public string $rulebook,
        public array $runs,
        public array $catalogueOverrides,
        public array $rulebookOverrides,
    ) {}

    /** The job with one run in place of the run of the same id. */
    public function withRun(Run $run): self
    {
        return $this->withRuns(array_map(static fn (Run $old): Run => $old->id === $run->id ? $run : $old, $this->runs));
    }

    /** @param  list<Run>  $runs */
    public function withRuns(array $runs): self
    {
        return new self($this->name, $this->place, $this->units, $this->rulebook, $runs, $this->catalogueOverrides, $this->rulebookOverrides);
    }

    /** Gives the run of that id, or null. */
    public function run(string $id): ?Run
    {
        foreach ($this->runs as $run) {
            if ($run->id === $id) {
                return $run;
            }
        }

        return null;
    }

    /** The job with every mark that an earlier state of it had used up; needed when an older plan is brought back. */
    public function keepingMarksOf(self $other): self
    {
        return $this->withRuns(array_map(static function (Run $run) use ($other): Run {
            $theirs = $other->run($run->id);

            return $theirs === null ? $run : $run->withMarks($run->marks->joined($theirs->marks))->withLegs($run->legs, max($run->nextLeg, $theirs->nextLeg));
        }, $this->runs));
    }
}
