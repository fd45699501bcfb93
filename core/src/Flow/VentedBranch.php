<?php

declare(strict_types=1);

namespace FallBend\Core\Flow;

/** The branch behind a trap, with its vent or without one. Lengths in mm. */
final readonly class VentedBranch
{
    /**
     * @param float $lengthMm from the trap to the stack, or to where it ends in the open
     * @param float $roughness Manning's n
     * @param ?float $ventAtMm from the trap to the vent; null: none
     * @param ?float $ventBoreMm null: none
     * @param float $ventLengthMm from the drain to the open air
     * @param float $opensAtMm suction in mm of water that a valve needs to open; 0 for an open vent
     */
    public function __construct(
        public float $boreMm,
        public float $fallMmPerM,
        public float $lengthMm,
        public float $roughness,
        public ?float $ventAtMm = null,
        public ?float $ventBoreMm = null,
        public float $ventLengthMm = 0.0,
        public float $opensAtMm = 0.0,
    ) {}

    /**
     * Gives the length that draws on the trap: to the vent where the top of its opening, a bore above the invert there,
     * lies above the weir, else all of it.
     */
    public function drawnMm(): float
    {
        return $this->ventAtMm !== null &&
            $this->ventBoreMm !== null &&
            ($this->ventAtMm * $this->fallMmPerM) / 1000 < $this->boreMm
            ? min($this->ventAtMm, $this->lengthMm)
            : $this->lengthMm;
    }
}
