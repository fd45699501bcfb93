<?php

declare(strict_types=1);

namespace App\Instruments;

/**
 * An instrument that is not there: it is held to a value and reads it as a real one does, with noise, drift and a
 * battery that runs down; a reading may be lost, or come in the wrong unit. The same seed reads the same.
 *
 * @phpstan-type Read array{
 *     device: string,
 *     kind: value-of<InstrumentKind>,
 *     value: float,
 *     unit: string,
 *     battery: float,
 *     humidity?: float,
 * }
 */
final class StandIn
{
    /** Millimetres in an inch: what a reading in the wrong unit is divided by. */
    private const INCH_MM = 25.4;

    private int $readings = 0;

    /**
     * @param float $value what it is held to, in the unit of its kind
     * @param float $noise half the width in which readings lie around it
     * @param float $driftPerReading by how much it wanders with every reading
     * @param int $lostEvery so many-th readings are lost; 0: none
     * @param bool $isInInches it was left in the other unit by whoever had it before
     * @param float $battery share of it that is left
     * @param float $humidity in per cent; a thermometer says it too
     */
    public function __construct(
        public readonly string $id,
        public readonly InstrumentKind $kind,
        private float $value,
        private readonly float $noise = 0.0,
        private readonly float $driftPerReading = 0.0,
        private readonly int $lostEvery = 0,
        private bool $isInInches = false,
        private float $battery = 1.0,
        private readonly float $drainPerReading = 0.0005,
        private readonly float $humidity = 55.0,
    ) {}

    /**
     * The button is pressed: gives what it reads; null where the battery is flat, or the reading was lost.
     *
     * @return Read|null
     */
    public function press(): ?array
    {
        $n = ++$this->readings;
        $this->battery = max(0.0, $this->battery - $this->drainPerReading);
        if ($this->battery <= 0.0 || ($this->lostEvery > 0 && $n % $this->lostEvery === 0)) {
            return null;
        }
        $value = $this->value + $this->noise * $this->chance($n) + $this->driftPerReading * $n;
        $isOther = $this->isInInches && $this->kind->unit() === 'mm';

        return [
            'device' => $this->id,
            'kind' => $this->kind->value,
            'value' => round($isOther ? $value / self::INCH_MM : $value, 4),
            'unit' => $isOther ? 'in' : $this->kind->unit(),
            'battery' => round($this->battery, 3),
        ] + ($this->kind === InstrumentKind::Thermometer ? ['humidity' => $this->humidity] : []);
    }

    /** Holds it to something else, in the unit of its kind. */
    public function holdTo(float $value): void
    {
        $this->value = $value;
    }

    public function setBattery(float $share): void
    {
        $this->battery = max(0.0, min(1.0, $share));
    }

    public function setInInches(bool $isInInches): void
    {
        $this->isInInches = $isInInches;
    }

    /** @return array{device: string, kind: value-of<InstrumentKind>, battery: float, stand_in: true} */
    public function described(): array
    {
        return [
            'device' => $this->id,
            'kind' => $this->kind->value,
            'battery' => round($this->battery, 3),
            'stand_in' => true,
        ];
    }

    /** A number from −1 to 1 that is the same for the same instrument and reading. */
    private function chance(int $reading): float
    {
        return (crc32("{$this->id} {$reading}") / 0xFFFFFFFF) * 2 - 1;
    }

    /** @return list<self> one of each kind, as they lie in the van */
    public static function van(): array
    {
        return [
            new self('level-1', InstrumentKind::Level, 20.8, 0.3, 0.002),
            new self('laser-1', InstrumentKind::Distance, 1_384.0, 0.8, lostEvery: 17),
            new self('calliper-1', InstrumentKind::Calliper, 60.3, 0.04),
            new self('thermo-1', InstrumentKind::Thermometer, 11.5, 0.1),
            new self('torque-1', InstrumentKind::Torque, 6.8, 0.15),
            new self('gauge-1', InstrumentKind::Gauge, 38.0, 0.3, -0.01),
            new self('camera-1', InstrumentKind::Camera, 4_250.0, 12.0, battery: 0.12),
        ];
    }
}
