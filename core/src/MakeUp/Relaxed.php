<?php

declare(strict_types=1);

namespace FallBend\Core\MakeUp;

/** One condition that stands alone against a solution, and how far it has to give. */
final readonly class Relaxed
{
    /**
     * @param string $condition `max_bends`, `min_leg_mm`, `fall_least`, `fall_most`, `clearance_mm`, `play_deg` or
     *     `obstacle`
     * @param float $from what was asked
     * @param float $to what gives a solution; of an obstacle how much nearer the pipe has to come, mm
     * @param string $what of an obstacle, its name
     */
    public function __construct(
        public string $condition,
        public float $from,
        public float $to,
        public Solution $solution,
        public string $what = '',
    ) {}
}
