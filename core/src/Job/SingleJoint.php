<?php

declare(strict_types=1);

namespace FallBend\Core\Job;

use FallBend\Core\Joining\Place;

/**
 * A joint of two ends that stands by itself, outside any run: a flange on a fixture, a repair between two standing
 * pipes.
 */
final readonly class SingleJoint
{
    /**
     * @param array{standing?: string, system?: string, size?: string, end?: string, od_mm?: float, fixed?: bool} $a a
     *     standing pipe of the job by id, or an end of the catalogue
     * @param array{standing?: string, system?: string, size?: string, end?: string, od_mm?: float, fixed?: bool} $b
     * @param ?string $method key of the chosen method; null: the best one
     */
    public function __construct(
        public string $id,
        public string $name,
        public array $a,
        public array $b,
        public Place $place,
        public ?string $method,
    ) {}

    /** The same joint made another way; null for the best one. */
    public function joinedBy(?string $method): self
    {
        return new self($this->id, $this->name, $this->a, $this->b, $this->place, $method);
    }
}
