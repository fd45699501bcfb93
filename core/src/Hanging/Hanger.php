<?php

declare(strict_types=1);

namespace FallBend\Core\Hanging;

use FallBend\Core\Layout\RunLayout;

/** One hanger. */
final readonly class Hanger
{
    /** Why it is there, the first of these where there are several reasons; `own`: somebody set it by hand. */
    public const REASONS = ['base', 'floor', 'turn', 'heavy', 'joint', 'spacing', 'guide', 'own'];

    /**
     * `joist`: from a joist that is there; `batten`: from a batten between two; `stud`: to a stud that is there;
     * `blocking`: to blocking between two; `hanger`: from whatever is over it; `bracket`: to the wall;
     * `clamp`: round the pipe, resting on a floor; `guide`: to the wall, and the pipe slides in it.
     */
    public const KINDS = ['joist', 'batten', 'stud', 'blocking', 'hanger', 'bracket', 'clamp', 'guide'];

    /**
     * @param int $leg number of the leg, from 0
     * @param float $atMm from its upstream end
     * @param value-of<self::KINDS> $kind
     * @param value-of<self::REASONS> $why
     * @param bool $isClear it keeps clear of every joint
     */
    public function __construct(
        public int $leg,
        public float $atMm,
        public string $kind,
        public string $why,
        public bool $isClear,
    ) {}

    /** Gives its place along the tape of its run, from the outlet, in mm. */
    public function tapeMm(RunLayout $layout): float
    {
        return $layout->legs[$this->leg]->tapeMm + $this->atMm;
    }
}
