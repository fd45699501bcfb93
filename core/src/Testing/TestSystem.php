<?php

declare(strict_types=1);

namespace FallBend\Core\Testing;

use FallBend\Core\Job\RunEndKind;

/** Pipes that hang together, and are tested together. Heights in mm. */
final readonly class TestSystem
{
    /**
     * @param string $id of the first of its runs
     * @param list<string> $runs ids
     * @param list<TestPipe> $pipes
     * @param list<TestOpening> $openings the highest first
     * @param float $lowestMm of the axes of the pipes
     */
    public function __construct(
        public string $id,
        public array $runs,
        public array $pipes,
        public array $openings,
        public float $lowestMm,
        public float $highestJointMm,
    ) {}

    /** Gives where it is filled: the highest opening to the air, or else the highest end. */
    public function fill(): ?TestOpening
    {
        foreach ($this->openings as $opening) {
            if ($opening->kind === RunEndKind::Roof) {
                return $opening;
            }
        }

        return $this->openings[0] ?? null;
    }

    /** Whether it is open through a roof: then it is filled until it runs over there. */
    public function isWhole(): bool
    {
        return $this->fill()?->kind === RunEndKind::Roof;
    }

    /** Gives the litres in it up to a level. */
    public function litres(float $levelMm): float
    {
        return array_sum($this->litresByRun($levelMm));
    }

    /** @return array<array-key, float> litres in each of its runs up to a level */
    public function litresByRun(float $levelMm): array
    {
        $litres = array_fill_keys($this->runs, 0.0);
        foreach ($this->pipes as $pipe) {
            $litres[$pipe->run] += $pipe->litres($levelMm);
        }

        return $litres;
    }

    /** Gives its developed length in mm. */
    public function lengthMm(): float
    {
        return array_sum(array_map(static fn (TestPipe $pipe): float => $pipe->lengthMm, $this->pipes));
    }

    /** Whether the bore of every pipe is stated. */
    public function isBoreKnown(): bool
    {
        foreach ($this->pipes as $pipe) {
            if ($pipe->boreMm === null) {
                return false;
            }
        }

        return true;
    }
}
