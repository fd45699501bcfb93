<?php

declare(strict_types=1);

namespace FallBend\Core\Network;

use FallBend\Core\Catalog\Provenance;
use FallBend\Core\Measure\Tolerance;

/** What one stretch of a pipe may carry. */
final readonly class SizeCheck
{
    /**
     * @param string $place `branch`, `drain`, `stack`
     * @param ?float $mostLoad in the unit of the rulebook; null where it has no number
     * @param Stretch $stretch that is checked
     */
    public function __construct(
        public string $size,
        public string $place,
        public ?float $mostLoad,
        public Stretch $stretch,
        public ?Provenance $source,
    ) {}

    /** Whether it takes a load, or nobody says that it does not. */
    public function carries(float $load): bool
    {
        return $this->mostLoad === null || ! Tolerance::isOver($load, $this->mostLoad, Tolerance::SUM);
    }
}
