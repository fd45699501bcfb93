<?php

declare(strict_types=1);

namespace FallBend\Core\Job;

use FallBend\Core\Joining\Place;
use FallBend\Core\Measure\Length;

/** One run: from an outlet, leg by leg, to a tie-in. */
final readonly class Run
{
    /** So many runs a job has at most. */
    public const MOST = 2_000;

    /** So many legs a run has at the most. */
    public const MOST_LEGS = 1000;

    /** Legs are numbered as they come, and a number is not used again; the first that is never given. */
    public const LEGS_END = 1_000_000;

    /**
     * @param ?float $fallMmPerM the fall of legs that say none; null: the least that the rulebook allows for the size
     * @param ?Length $levelDifference from the outlet's centre down to the tie-in's, as levelled on site; null: not
     *     measured
     * @param float $headingDeg which way the outlet faces in plan, clockwise from north
     * @param list<Leg> $legs
     * @param Place $place where its joints are made
     */
    public function __construct(
        public string $id,
        public string $name,
        public string $system,
        public string $size,
        public RunUse $use,
        public ?float $fallMmPerM,
        public End $outlet,
        public End $tieIn,
        public ?Length $levelDifference,
        public float $headingDeg,
        public array $legs,
        public Marks $marks,
        public int $nextLeg,
        public Place $place = new Place,
    ) {}

    /** @param list<Leg> $legs */
    public function withLegs(array $legs, int $nextLeg): self
    {
        return $this->with($legs, $this->marks, $nextLeg);
    }

    /** Whether it is called out against the flow: it leaves a drain as a vent, or ends in the open air. */
    public function rises(): bool
    {
        return $this->outlet->branch !== null || $this->tieIn->isOpenToAir();
    }

    /** The run with another ledger of marks. */
    public function withMarks(Marks $marks): self
    {
        return $this->with($this->legs, $marks, $this->nextLeg);
    }

    /** @return array{string, string} the sizes of its first and its last leg */
    public function endSizes(): array
    {
        $size = $this->size;
        foreach ($this->legs as $leg) {
            $size = $leg->size ?? $size;
        }

        return [$this->legs[0]->size ?? $this->size, $size];
    }

    /** The run with other ends. */
    public function withEnds(End $outlet, End $tieIn): self
    {
        return new self(
            $this->id,
            $this->name,
            $this->system,
            $this->size,
            $this->use,
            $this->fallMmPerM,
            $outlet,
            $tieIn,
            $this->levelDifference,
            $this->headingDeg,
            $this->legs,
            $this->marks,
            $this->nextLeg,
            $this->place,
        );
    }

    /** @param list<Leg> $legs */
    private function with(array $legs, Marks $marks, int $nextLeg): self
    {
        return new self(
            $this->id,
            $this->name,
            $this->system,
            $this->size,
            $this->use,
            $this->fallMmPerM,
            $this->outlet,
            $this->tieIn,
            $this->levelDifference,
            $this->headingDeg,
            $legs,
            $marks,
            $nextLeg,
            $this->place,
        );
    }
}
