<?php

declare(strict_types=1);

namespace FallBend\Core\Hanging;

/**
 * A straight stretch of a run that grows as one, between two turns, ends or places that take it up. Lengths in mm along
 * the tape of the run.
 */
final readonly class StraightStretch
{
    /** What it can be held fast by: a hanger, what it is joined to at the end of the run, nothing. */
    public const FIXED = ['hanger', 'tie-in', 'none'];

    /**
     * @param int $leg number of the leg that it begins on, from 1
     * @param value-of<self::FIXED> $fixed
     * @param ?int $hanger number of the hanger that holds it fast, from 1
     * @param float $growthMm how much longer it gets
     * @param list<Growth> $ends what comes of it at its upstream and its downstream end
     */
    public function __construct(
        public int $leg,
        public float $fromMm,
        public float $toMm,
        public string $fixed,
        public ?int $hanger,
        public float $growthMm,
        public array $ends,
    ) {}
}
