<?php

declare(strict_types=1);

namespace FallBend\Core\Job;

/**
 * What of a document need not be read again, because it stands there as in one that was read and written before: the
 * runs, and
 * the lists that they are read with.
 */
final readonly class KnownParts
{
    /** @var array<string, array<array-key, mixed>> runs of the earlier document, by id */
    private array $runs;

    /**
     * @param array<array-key, mixed> $document the earlier one, as `JobFile` wrote it
     * @param ?Job $job what is written now
     */
    public function __construct(private array $document = [], private ?Job $job = null)
    {
        $runs = [];
        foreach ($job !== null && is_array($document['runs'] ?? null) ? $document['runs'] : [] as $run) {
            if (is_array($run) && is_string($run['id'] ?? null)) {
                $runs[$run['id']] = $run;
            }
        }
        $this->runs = $runs;
    }

    /**
     * Gives the same for a document that is to be read: nothing is known of one whose standing pipes or own rows are
     * others,
     * for runs and joints are read with these.
     *
     * @param array<array-key, mixed> $document
     */
    public function for(array $document): self
    {
        return $this->isSame($document, 'version') &&
            $this->isSame($document, 'standing') &&
            $this->isSame($document, 'overrides')
            ? $this
            : new self;
    }

    /** Gives the job whose lists beside the runs are known; null where none are. */
    public function job(): ?Job
    {
        return $this->job;
    }

    /**
     * Gives the job whose single joints are known; null where they are not.
     *
     * @param array<array-key, mixed> $document
     */
    public function jobOfSingles(array $document): ?Job
    {
        return $this->isSame($document, 'single_joints') ? $this->job : null;
    }

    /**
     * Gives a run; null where it is to be read.
     *
     * @param array<array-key, mixed> $run as it stands in the document
     */
    public function run(array $run): ?Run
    {
        $id = $run['id'] ?? null;

        return is_string($id) && ($this->runs[$id] ?? null) === $run ? $this->job?->run($id) : null;
    }

    /** @param array<array-key, mixed> $document */
    private function isSame(array $document, string $field): bool
    {
        return ($document[$field] ?? null) === ($this->document[$field] ?? null);
    }
}
