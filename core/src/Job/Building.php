<?php

declare(strict_types=1);

namespace FallBend\Core\Job;

use FallBend\Core\Input\BadInput;
use FallBend\Core\Input\Fields;

/** What the books ask of the building that a job stands in. Null where nobody said. */
final readonly class Building
{
    /**
     * @param ?int $storeys how many it has
     * @param ?bool $isOneFamily it is the house of one family
     * @param ?float $coldestC the temperature that heating is designed for, °C
     * @param ?float $snowMm how deep snow lies on its roof at most, mm
     * @param ?bool $isRoofUsed people walk or sit on its roof
     * @param ?bool $isDrainVentilated its drain is open to the air at the head
     * @param ?bool $isWhole the job has all of its vents
     * @param ?bool $isRenovation the work renews what stands in it
     */
    public function __construct(
        public ?int $storeys = null,
        public ?bool $isOneFamily = null,
        public ?float $coldestC = null,
        public ?float $snowMm = null,
        public ?bool $isRoofUsed = null,
        public ?bool $isDrainVentilated = null,
        public ?bool $isWhole = null,
        public ?bool $isRenovation = null,
    ) {}

    /** @throws BadInput at the field that is wrong */
    public static function read(Fields $fields): self
    {
        $yesNo = static fn (string $key): ?bool => $fields->has($key) ? $fields->bool($key, false) : null;
        $building = new self(
            $fields->has('storeys') ? $fields->int('storeys', 1, 200) : null,
            $yesNo('one_family'),
            $fields->numberOrNull('coldest_c', -70, 40),
            $fields->numberOrNull('snow_mm', 0, 10_000),
            $yesNo('roof_used'),
            $yesNo('drain_ventilated'),
            $yesNo('whole'),
            $yesNo('renovation'),
        );
        $fields->end();

        return $building;
    }

    /** @return array<string, bool|float|int> what was said of it, as `read` takes it */
    public function toArray(): array
    {
        return array_filter(
            [
                'storeys' => $this->storeys,
                'one_family' => $this->isOneFamily,
                'coldest_c' => $this->coldestC,
                'snow_mm' => $this->snowMm,
                'roof_used' => $this->isRoofUsed,
                'drain_ventilated' => $this->isDrainVentilated,
                'whole' => $this->isWhole,
                'renovation' => $this->isRenovation,
            ],
            static fn (bool|float|int|null $said): bool => $said !== null,
        );
    }
}
