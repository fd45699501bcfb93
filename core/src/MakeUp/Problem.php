<?php

declare(strict_types=1);

namespace FallBend\Core\MakeUp;

/** What is to be made up between two ends, and what it must keep to. */
final readonly class Problem
{
    /**
     * @param list<Turning> $turnings what may be used, gentlest first
     * @param float $minLegMm the shortest piece of pipe, stop to stop
     * @param float $playDeg what one made joint gives
     * @param ?float $fallLeast mm per m, of legs flatter than 45°
     * @param ?float $fallMost mm per m, of legs under 15°
     * @param list<Box> $boxes
     * @param float $radiusMm from the axis of the pipe to the outside of it, with the clearance asked for
     * @param float $couplingMm what a coupling takes up between two cut faces, for an end that is pipe itself
     * @param list<float> $headingsDeg of walls: legs along them are liked better
     * @param float $fromTakeMm what a fitting takes up of the first leg already, where it begins at the centre of one
     * @param float $toTakeMm the same of the last leg
     */
    public function __construct(
        public OpenEnd $from,
        public OpenEnd $to,
        public array $turnings,
        public int $maxBends,
        public float $minLegMm,
        public float $playDeg,
        public ?float $fallLeast,
        public ?float $fallMost,
        public array $boxes,
        public float $radiusMm,
        public float $couplingMm,
        public array $headingsDeg = [],
        public float $fromTakeMm = 0.0,
        public float $toTakeMm = 0.0,
    ) {}

    /**
     * The same problem with one thing else.
     *
     * @param array{turnings?: list<Turning>, maxBends?: int, minLegMm?: float, playDeg?: float, fallLeast?: ?float,
     *     fallMost?: ?float, boxes?: list<Box>, radiusMm?: float} $with
     */
    public function with(array $with): self
    {
        return new self(
            $this->from,
            $this->to,
            $with['turnings'] ?? $this->turnings,
            $with['maxBends'] ?? $this->maxBends,
            $with['minLegMm'] ?? $this->minLegMm,
            $with['playDeg'] ?? $this->playDeg,
            array_key_exists('fallLeast', $with) ? $with['fallLeast'] : $this->fallLeast,
            array_key_exists('fallMost', $with) ? $with['fallMost'] : $this->fallMost,
            $with['boxes'] ?? $this->boxes,
            $with['radiusMm'] ?? $this->radiusMm,
            $this->couplingMm,
            $this->headingsDeg,
            $this->fromTakeMm,
            $this->toTakeMm,
        );
    }
}
