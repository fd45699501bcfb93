<?php

declare(strict_types=1);

namespace FallBend\Core\Testing;

use FallBend\Core\Catalog\Provenance;

/** How a book wants pipes tested at a stage, in its figures. Null: it gives none. */
final readonly class TestMethod
{
    /** Of the standard atmosphere at sea level. */
    private const ATMOSPHERE_PA = 101_325.0;

    /** At which a degree is reckoned: what it moves a gauge by changes by a few parts in a hundred over any weather. */
    private const KELVIN = 288.15;

    private const PA_OF_A_MM = 9.80665;

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
     * @param float $warmthErrorC how well the temperature of what is shut in is read, °C
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
        public float $warmthErrorC = 0.0,
    ) {}

    /**
     * Gives by how much the gauge moves where what is shut in gets a degree warmer, in its unit; null where no gas is
     * shut in. Of a gas in a room that stays as large, the absolute pressure goes with the absolute temperature
     * (Gay-Lussac): by (p + atmosphere) / T for each degree.
     */
    public function perDegree(): ?float
    {
        if (! $this->kind->isGas()) {
            return null;
        }
        $unit = $this->kind === TestKind::Air ? 1_000.0 : self::PA_OF_A_MM;

        return (self::ATMOSPHERE_PA + ($this->required ?? 0.0) * $unit) / self::KELVIN / $unit;
    }
}
