<?php

declare(strict_types=1);

namespace FallBend\Core\Joining;

use FallBend\Core\Catalog\Provenance;
use FallBend\Core\Verdict\Finding;
use FallBend\Core\Verdict\Severity;

/** What a solvent joint is made with and how long it takes. Null times: refused, or no table. */
final readonly class CementPlan
{
    /**
     * @param array{id: string, name: string, standard: string, welds: list<string>, colour: string,
     *     provenance: Provenance}|null $cement
     * @param array{name: string, standard: string, kind: string, provenance: Provenance, tinted: bool, needed: bool,
     *     may_be_waived: bool}|null $primer null: none is used
     * @param array{id: string, said: string, provenance: Provenance}|null $body
     * @param list<Finding> $findings
     * @param list<Provenance> $sources
     */
    public function __construct(
        public ?array $cement,
        public ?array $primer,
        public ?array $body,
        public float $dauberMm,
        public ?float $workingS,
        public ?float $holdS,
        public ?float $setMin,
        public ?float $cureMin,
        public array $findings,
        public array $sources,
    ) {}

    /** Whether something stops the joint from being made with cement now. */
    public function isRefused(): bool
    {
        foreach ($this->findings as $finding) {
            if ($finding->severity === Severity::Stop) {
                return true;
            }
        }

        return $this->cement === null;
    }
}
