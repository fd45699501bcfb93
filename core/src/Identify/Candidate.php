<?php

declare(strict_types=1);

namespace FallBend\Core\Identify;

use FallBend\Core\Catalog\Pipe;
use FallBend\Core\Catalog\PipeSystem;

/** A pipe that the evidence may mean. */
final readonly class Candidate
{
    /**
     * @param float $weight likelihood of the evidence under this pipe times its prior, not normed
     * @param float $likelihood share of 1 among all candidates
     * @param list<array{fact: string, holds: bool}> $facts what speaks for it and against it
     * @param ?string $out the fact that excludes it
     */
    public function __construct(
        public PipeSystem $system,
        public Pipe $pipe,
        public float $weight,
        public float $likelihood,
        public array $facts,
        public ?string $out,
    ) {}

    /** Gives the smallest outside diameter that its makers allow. */
    public function lowMm(): float
    {
        return $this->pipe->outsideMm - $this->pipe->minusMm;
    }

    /** Gives the largest outside diameter that its makers allow. */
    public function highMm(): float
    {
        return $this->pipe->outsideMm + $this->pipe->plusMm;
    }

    /** The same with its share of 1. */
    public function withLikelihood(float $likelihood): self
    {
        return new self($this->system, $this->pipe, $this->weight, $likelihood, $this->facts, $this->out);
    }
}
