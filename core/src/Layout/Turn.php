<?php

declare(strict_types=1);

namespace FallBend\Core\Layout;

use FallBend\Core\Catalog\Bend;
use FallBend\Core\Catalog\PipeSystem;
use FallBend\Core\Catalog\StraightFitting;
use FallBend\Core\Geometry\Vec3;

/**
 * What stands between two legs: nothing but a coupling, one bend, two bends rolled against each other, or a branch
 * fitting. Take-offs in mm from the
 * reference point of each leg (the centre of the first bend, and of the second) to where its pipe comes to rest.
 */
final readonly class Turn
{
    /**
     * @param float $angleDeg the turn that the legs make
     * @param list<Bend> $bends none, one or two
     * @param ?Vec3 $between direction of the short leg between two bends
     * @param float $betweenMm centre to centre of two bends
     * @param bool $isBetweenClose no pipe between the two bends
     * @param float $strainDeg what each joint of the turn must give
     * @param bool $stands the first bend is a street bend that stands in the fitting before
     */
    public function __construct(
        public float $angleDeg,
        public array $bends,
        public ?StraightFitting $coupling,
        public ?StraightFitting $bushingIn,
        public ?StraightFitting $bushingOut,
        public ?Vec3 $between = null,
        public float $betweenMm = 0.0,
        public bool $isBetweenClose = false,
        public float $strainDeg = 0.0,
        public bool $stands = false,
        public ?TurnTrouble $trouble = null,
        public ?Junction $junction = null,
    ) {}

    /** The turn that a branch fitting makes, its run going on where another run comes down it. */
    public static function at(Junction $junction, LegLine $before, LegLine $after, PipeSystem $system): self
    {
        $size = $junction->branch->branchSize ?? $before->size;

        return new self(
            $junction->angleDeg,
            [],
            null,
            $size === $before->size ? null : $system->bushing($size, $before->size),
            null,
            strainDeg: $junction->strainDeg,
            junction: $junction,
        );
    }

    /** Whether pipe can be cut to it: not where no branch fitting can stand in it. */
    public function isKnown(): bool
    {
        return $this->junction === null || $this->junction->branch !== null;
    }

    /** How far off the take-off may be to which the pipe of the leg before is cut. */
    public function doubtIn(): Doubt
    {
        $bend = $this->bends[0] ?? null;

        return match (true) {
            $this->junction !== null => $this->junction->doubtIn(),
            $bend === null => Doubt::none(),
            default => Doubt::of($this->stands ? $bend->standDoubtMm() : $bend->doubtMm, $bend),
        };
    }

    /** The same of the leg after. */
    public function doubtOut(): Doubt
    {
        $bend = $this->bends === [] ? null : $this->bends[count($this->bends) - 1];

        return match (true) {
            $this->junction !== null => $this->junction->doubtOut(),
            $bend === null => Doubt::none(),
            default => Doubt::of($bend->outletDoubtMm(), $bend),
        };
    }

    /** From the reference point of the leg before back to the stop of its pipe, or to the end of the spigot. */
    public function takeInMm(): float
    {
        $bend = $this->bends[0] ?? null;
        $own = match (true) {
            $this->junction !== null => $this->junction->takeInMm(),
            $bend === null => ($this->coupling->acrossMm ?? 0.0) / 2,
            $this->stands => $bend->standMm() ?? $bend->takeOffMm,
            default => $bend->takeOffMm,
        };

        return $own + ($this->bushingIn->acrossMm ?? 0.0);
    }

    /** From the reference point of the leg after on to the stop of its pipe. */
    public function takeOutMm(): float
    {
        $bend = $this->bends === [] ? null : $this->bends[count($this->bends) - 1];
        if ($this->junction !== null) {
            return $this->junction->takeOutMm();
        }

        return ($bend?->outletMm() ?? ($this->coupling->acrossMm ?? 0.0) / 2) + ($this->bushingOut->acrossMm ?? 0.0);
    }
}
