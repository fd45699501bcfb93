<?php

declare(strict_types=1);

namespace FallBend\Core\Sequence;

use FallBend\Core\Catalog\Provenance;
use FallBend\Core\Verdict\Finding;

/** How long one joint takes on site. Minutes, or seconds where the name says so; null: not known, or it has none. */
final readonly class SiteTimes
{
    /**
     * @param float $makeMin hands on it until it is home
     * @param int $people that are needed at once
     * @param ?float $workingS from the cement until it must be home; null of a joint without cement
     * @param ?float $coatS to coat and push it, once it is primed
     * @param float $holdS how long it is held
     * @param ?float $setMin until what it joins may be moved; null: not known
     * @param ?float $fillMin until water may run through it; null: not known
     * @param list<Finding> $findings on making it now
     * @param list<Provenance> $sources
     */
    public function __construct(
        public float $makeMin,
        public int $people,
        public ?float $workingS,
        public ?float $coatS,
        public float $holdS,
        public ?float $setMin,
        public ?float $fillMin,
        public array $findings,
        public array $sources,
    ) {}

    /** Gives how long hands are on it, until it is let go of. */
    public function handsOnMin(): float
    {
        return $this->makeMin + $this->holdS / 60;
    }

    /** Whether it is known when it may be moved and filled. */
    public function isKnown(): bool
    {
        return $this->setMin !== null && $this->fillMin !== null;
    }
}
