<?php

declare(strict_types=1);

namespace FallBend\Core\Catalog;

/** What fixtures of one room count together where that is less than their sum, as a rulebook has it. */
final readonly class FixtureGroups
{
    /**
     * @param array<string, float> $bathrooms a closet, a lavatory and a bath or shower, by the variant of the closet
     * @param ?float $half a closet and a lavatory
     * @param array<string, float> $several bathrooms by how many: `1.5`, `2`, …, a half one as 0.5
     * @param ?float $kitchen a sink and a dishwasher
     * @param ?float $laundry a washer and a tub
     */
    public function __construct(
        public array $bathrooms = [],
        public ?float $half = null,
        public array $several = [],
        public ?float $kitchen = null,
        public ?float $laundry = null,
    ) {}

    /** Whether the rulebook counts no groups. */
    public function isNone(): bool
    {
        return $this->bathrooms === [] && $this->kitchen === null && $this->laundry === null;
    }
}
