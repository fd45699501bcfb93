<?php

declare(strict_types=1);

namespace FallBend\Core\Layout;

use FallBend\Core\Catalog\PipeSystem;
use FallBend\Core\Geometry\Vec3;
use FallBend\Core\Job\Run;

/** A run laid out: every leg, fitting, piece and joint in the order of flow. */
final readonly class RunLayout
{
    /**
     * @param Run $run with the marks that were allotted
     * @param list<LegLaid> $legs
     * @param list<Fitting> $fittings
     * @param list<Piece> $pieces
     * @param list<Joint> $joints
     * @param list<string> $sequence keys of fittings and pieces as the water meets them
     * @param Surroundings $site how its ends meet what stands there
     */
    public function __construct(
        public Run $run,
        public PipeSystem $system,
        public array $legs,
        public array $fittings,
        public array $pieces,
        public array $joints,
        public Vec3 $end,
        public float $tapeMm,
        public array $sequence,
        public Surroundings $site = new Surroundings,
    ) {}

    /**
     * Whether water runs in it against the way that it was called out, as in a vent that is called out up to where it
     * joins another; not so in one that is looped from a drain to a lower place of a drain, as that of an island is.
     */
    public function isAgainstFlow(): bool
    {
        $isLoop = $this->run->outlet->branch !== null && $this->run->tieIn->branch !== null && $this->end->z < 0.0;

        return $this->run->rises() && ! $isLoop;
    }

    /** Gives the point on the axis that far along the tape, from the outlet, in mm. */
    public function pointAt(float $tapeMm): Vec3
    {
        $leg = $this->legs === [] || $tapeMm < $this->legs[0]->tapeMm ? null : $this->legAt($tapeMm);

        return $leg === null
            ? new Vec3(0.0, 0.0, 0.0)
            : $leg->from->plus($leg->line->direction->times(min($tapeMm - $leg->tapeMm, $leg->centreMm)));
    }

    /**
     * Gives the leg that a place that far along the tape lies on, where two meet the later one; there is one at least.
     */
    public function legAt(float $tapeMm): LegLaid
    {
        foreach (array_reverse($this->legs) as $leg) {
            if ($tapeMm >= $leg->tapeMm) {
                return $leg;
            }
        }

        return $this->legs[0];
    }

    /** Gives the leg of that id where it is laid, or null. */
    public function leg(string $id): ?LegLaid
    {
        foreach ($this->legs as $leg) {
            if ($leg->line->leg->id === $id) {
                return $leg;
            }
        }

        return null;
    }

    /** Gives the fitting whose socket a joint is, by the joint's key; null at the ends of the run. */
    public function fittingAt(string $joint): ?Fitting
    {
        $key = array_column($this->joints, 'fitting', 'key')[$joint] ?? null;

        return $key === null ? null : array_column($this->fittings, null, 'key')[$key] ?? null;
    }

    /** How far the run falls in all, from the outlet's centre to the tie-in's, in mm. */
    public function fallMm(): float
    {
        return 0.0 - $this->end->z;
    }

    /**
     * How much of the levelled difference is left over; negative where the run ends below its tie-in; null where
     * nothing was levelled.
     */
    public function remainingMm(): ?float
    {
        return $this->run->levelDifference === null ? null : $this->run->levelDifference->toMm() - $this->fallMm();
    }

    /** Whether every leg was read. */
    public function isWhole(): bool
    {
        return count($this->legs) === count($this->run->legs);
    }
}
