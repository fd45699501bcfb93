<?php

declare(strict_types=1);

namespace FallBend\Core\Hanging;

use FallBend\Core\Layout\RunLayout;

/** One hanger. */
final readonly class Hanger
{
    /**
     * @param int $leg number of the leg, from 0
     * @param float $atMm from its upstream end
     * @param bool $isClear it keeps clear of every joint
     */
    public function __construct(
        public int $leg,
        public float $atMm,
        public HangerKind $kind,
        public HangerReason $why,
        public bool $isClear,
    ) {}

    /** Gives its place along the tape of its run, from the outlet, in mm. */
    public function tapeMm(RunLayout $layout): float
    {
        return $layout->legs[$this->leg]->tapeMm + $this->atMm;
    }
}
