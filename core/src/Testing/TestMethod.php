<?php

declare(strict_types=1);

namespace FallBend\Core\Testing;

use FallBend\Core\Catalog\Provenance;

/** How a book wants pipes tested at a stage, in its figures. Null: it gives none. */
final readonly class TestMethod
{
    /**
     * @param ?float $required what the gauge shows at least: kPa of compressed air, mm of water of low pressure; mm
     *     above the highest joint of water
     * @param float $standMin how long it is left before it is measured
     * @param ?float $minutes how long it is measured
     * @param float $lossMost by how much the reading may fall meanwhile, in the unit of the reading; litres of a
     *     drain that is topped up
     * @param float $error how well it is read, in the same unit
     * @param ?float $applied what it is pumped up to first
     * @param ?float $mostMm head that may stand above the lowest end
     * @param list<Provenance> $sources
     */
    public function __construct(
        public TestKind $kind,
        public ?float $required,
        public float $standMin,
        public ?float $minutes,
        public float $lossMost,
        public float $error,
        public array $sources,
        public ?float $applied = null,
        public ?float $mostMm = null,
    ) {}
}
