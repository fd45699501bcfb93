<?php

declare(strict_types=1);

namespace FallBend\Core\Layout;

use FallBend\Core\Geometry\Vec3;

/** A leg as it came to lie between its two reference points. Lengths in mm. */
final readonly class LegLaid
{
    /**
     * @param float $centreMm reference point to reference point
     * @param float $spanMm stop to stop: what pipe and couplings fill; negative where the fittings overlap
     * @param float $leastMm the shortest span that can be made up
     * @param ?float $closeMm the length that the leg would have with the next fitting standing in this one; null where
     *     that cannot be
     * @param list<string> $pieces keys
     * @param list<float> $spansMm stop to stop between the branch fittings on the leg; empty where there is none
     */
    public function __construct(
        public LegLine $line,
        public Vec3 $from,
        public float $centreMm,
        public float $spanMm,
        public float $leastMm,
        public ?float $closeMm,
        public array $pieces,
        public float $tapeMm,
        public ?Turn $turn,
        public array $spansMm = [],
    ) {}

    /** Gives the reference point at its end. */
    public function to(): Vec3
    {
        return $this->from->plus($this->line->direction->times($this->centreMm));
    }

    /** Whether it is steeper than 45°. */
    public function isUpright(): bool
    {
        return Orientation::isUpright($this->line->direction);
    }

    /** Gives the fall in mm per m of plan; null of an upright leg. */
    public function fallMmPerM(): ?float
    {
        return $this->isUpright() ? null : tan(deg2rad($this->line->dipDeg)) * 1000;
    }

    /** Gives how far down the leg leads. */
    public function dropMm(): float
    {
        return -$this->line->direction->z * $this->centreMm;
    }

    /** Gives by how much the leg is too short to be made up; 0 where it is not. */
    public function shortfallMm(): float
    {
        return $this->line->leg->isClose ? 0.0 : max(0.0, $this->leastMm - min([$this->spanMm, ...$this->spansMm]));
    }
}
