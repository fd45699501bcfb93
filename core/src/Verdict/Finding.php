<?php

declare(strict_types=1);

namespace FallBend\Core\Verdict;

use FallBend\Core\Catalog\Provenance;

/**
 * A verdict as data; `Wording` turns it into sentences.
 * Parameters carry their unit in the name (`_mm`, `_mm_per_m`, `_deg`); plain ones are words or counts.
 */
final readonly class Finding
{
    /**
     * @param ?float $measured in the unit of the limit
     * @param array<string, float|int|string> $params
     */
    public function __construct(
        public RuleId $rule,
        public Severity $severity,
        public Where $where,
        public ?float $measured = null,
        public ?float $limit = null,
        public array $params = [],
        public ?Provenance $source = null,
    ) {}

    /** The same at a place: where it is worked out only for what is found. */
    public function at(Where $where): self
    {
        return new self(
            $this->rule,
            $this->severity,
            $where,
            $this->measured,
            $this->limit,
            $this->params,
            $this->source,
        );
    }
}
