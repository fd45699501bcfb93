<?php

declare(strict_types=1);

namespace FallBend\Core\Job;

/** The open end of a vent. Lengths in mm, null where nobody measured. */
final readonly class Terminal
{
    /**
     * @param ?float $aboveRoofMm
     * @param ?float $openingAwayMm to the nearest window, door or inlet; 0 or more
     * @param ?float $openingBelowMm how far the top of that opening lies below the end; negative: above
     */
    public function __construct(
        public ?float $aboveRoofMm = null,
        public ?float $openingAwayMm = null,
        public ?float $openingBelowMm = null,
    ) {}
}
