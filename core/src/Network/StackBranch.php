<?php

declare(strict_types=1);

namespace FallBend\Core\Network;

use FallBend\Core\Layout\Junction;
use FallBend\Core\Layout\LegLaid;

/** Where something discharges into a stack. */
final readonly class StackBranch
{
    /**
     * @param LegLaid $leg of the stack that it enters
     * @param float $z height in the frame of the stack's run, mm
     * @param float $tapeMm where on its tape
     */
    public function __construct(
        public Junction $junction,
        public LegLaid $leg,
        public float $z,
        public float $tapeMm,
    ) {}

    /** Gives the id of the run that enters. */
    public function run(): string
    {
        return $this->junction->key();
    }
}
