<?php

declare(strict_types=1);

namespace FallBend\Core\Network;

use FallBend\Core\Geometry\Vec3;
use FallBend\Core\Layout\LegLaid;
use FallBend\Core\Layout\Orientation;

/** The part of a leg that belongs to a segment. */
final readonly class Stretch
{
    private bool $isUpright;

    private float $fallMmPerM;

    private Vec3 $flow;

    /**
     * @param float $fromMm along the leg, less than `toMm`
     * @param bool $isReversed water flows against the way that the leg was called out
     */
    public function __construct(public LegLaid $leg, public float $fromMm, public float $toMm, public bool $isReversed)
    {
        $this->flow = $isReversed ? $leg->line->direction->times(-1.0) : $leg->line->direction;
        $this->isUpright = Orientation::isUpright($this->flow);
        $this->fallMmPerM = (-$this->flow->z / max(1e-9, sqrt(max(0.0, 1 - $this->flow->z ** 2)))) * 1000;
    }

    /** Gives its length in mm. */
    public function lengthMm(): float
    {
        return $this->toMm - $this->fromMm;
    }

    /** Gives the direction of flow. */
    public function flow(): Vec3
    {
        return $this->flow;
    }

    /** Whether it is steeper than 45°. */
    public function isUpright(): bool
    {
        return $this->isUpright;
    }

    /** Gives how far it falls in the direction of flow, in mm. */
    public function dropMm(): float
    {
        return -$this->flow->z * ($this->toMm - $this->fromMm);
    }

    /** Gives the fall in mm per m of plan; negative where it rises. */
    public function fallMmPerM(): float
    {
        return $this->fallMmPerM;
    }

    /** Gives where it begins, in the direction of flow, on the tape of its run. */
    public function tapeMm(): float
    {
        return $this->leg->tapeMm + ($this->isReversed ? $this->toMm : $this->fromMm);
    }

    /** Gives the height of its lower end in the frame of its run, in mm. */
    public function lowestZ(): float
    {
        $rise = $this->leg->line->direction->z;

        return $this->leg->from->z + min($rise * $this->fromMm, $rise * $this->toMm);
    }

    /** Gives the point where it begins, in the direction of flow, in the frame of its run. */
    public function start(): Vec3
    {
        return $this->leg->from->plus(
            $this->leg->line->direction->times($this->isReversed ? $this->toMm : $this->fromMm),
        );
    }
}
