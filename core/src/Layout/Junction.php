<?php

declare(strict_types=1);

namespace FallBend\Core\Layout;

use FallBend\Core\Catalog\Branch;
use FallBend\Core\Geometry\Vec3;

/** A branch fitting at its place in a run: on a leg, or in the turn into it. */
final readonly class Junction
{
    /**
     * @param string $leg id
     * @param ?float $atMm along the leg; null: in the turn into it
     * @param non-empty-list<BranchEntry> $taps one or two
     * @param ?Branch $branch null where none can stand there
     * @param Vec3 $flow direction of flow out of the fitting
     * @param Orientation $orientation how the water turns from the branch into the run
     * @param float $angleDeg between the flow in the branch and out of the fitting
     * @param bool $isReversed the run is called out against the flow, as a vent is
     */
    public function __construct(
        public string $leg,
        public ?float $atMm,
        public array $taps,
        public ?Branch $branch,
        public ?JunctionTrouble $trouble,
        public Vec3 $flow,
        public Orientation $orientation,
        public float $angleDeg,
        public float $strainDeg,
        public bool $isReversed = false,
    ) {}

    /** Gives the name of its place: that of the first run that meets it. */
    public function key(): string
    {
        return $this->taps[0]->run;
    }

    /** Whether it stands in a turn. */
    public function isTurn(): bool
    {
        return $this->atMm === null;
    }

    /** From the centre back to where the pipe of the run before comes to rest, mm. */
    public function takeInMm(): float
    {
        return match (true) {
            $this->branch === null => 0.0,
            $this->isTurn() => $this->branch->branchMm,
            default => $this->isReversed ? $this->branch->runOutMm : $this->branch->runInMm,
        };
    }

    /** From the centre on to where the pipe of the run after comes to rest, mm. */
    public function takeOutMm(): float
    {
        return match (true) {
            $this->branch === null => 0.0,
            default => $this->isReversed ? $this->branch->runInMm : $this->branch->runOutMm,
        };
    }

    /** How far off what it takes of the run before it may be. */
    public function doubtIn(): Doubt
    {
        $branch = $this->branch;

        return match (true) {
            $branch === null => Doubt::none(),
            $this->isTurn() => Doubt::of($branch->branchDoubtMm, $branch),
            default => Doubt::of($this->isReversed ? $branch->runOutDoubtMm : $branch->runInDoubtMm, $branch),
        };
    }

    /** The same of the run after it. */
    public function doubtOut(): Doubt
    {
        $branch = $this->branch;

        return $branch === null
            ? Doubt::none()
            : Doubt::of($this->isReversed ? $branch->runInDoubtMm : $branch->runOutDoubtMm, $branch);
    }

    /** Gives where the pipe of a tap comes to rest. */
    public function seat(): BranchSeat
    {
        return $this->branch === null
            ? new BranchSeat(0.0, false, $this->taps[0]->size, null)
            : new BranchSeat(
                $this->isTurn() ? $this->branch->runInMm : $this->branch->branchMm,
                true,
                $this->isTurn() ? $this->branch->size : $this->branch->branchSize,
                $this->branch,
                doubt: Doubt::of(
                    $this->isTurn() ? $this->branch->runInDoubtMm : $this->branch->branchDoubtMm,
                    $this->branch,
                ),
            );
    }
}
