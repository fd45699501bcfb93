<?php

declare(strict_types=1);

namespace FallBend\Core\Catalog;

use FallBend\Core\Input\BadInput;
use FallBend\Core\Input\Fields;

/** How a material of pipes bends and grows. Moduli in MPa at the temperatures for which they are stated, °C. */
final readonly class Material
{
    private const TEMPERATURES = ['23', '40', '60'];

    /**
     * @param float $growthPerC share of its length for every °C
     * @param array<int, ?float> $shortMpa modulus for loads of minutes to hours, by temperature
     * @param array<int, ?float> $yearsMpa for loads of years
     */
    private function __construct(
        public string $id,
        public string $name,
        public float $growthPerC,
        private array $shortMpa,
        private array $yearsMpa,
        public Provenance $provenance,
    ) {}

    /** @throws BadInput */
    public static function read(Fields $row): self
    {
        $moduli = static function (string $key) use ($row): array {
            $fields = $row->child($key);
            $values = [];
            foreach (self::TEMPERATURES as $temperature) {
                $values[(int) $temperature] = $fields->numberOrNull($temperature, 0.001, 1_000_000);
            }

            return $values;
        };

        return new self(
            $row->string('id'),
            $row->string('name'),
            $row->number('cte_per_c', 0, 1),
            $moduli('modulus_short_mpa'),
            $moduli('modulus_years_mpa'),
            Provenance::read($row, 'materials'),
        );
    }

    /**
     * Gives the modulus at a temperature in MPa: between two that are stated on the straight line, below the first as
     * there; null where it is not stated.
     */
    public function modulusMpa(float $celsius, bool $isYears): ?float
    {
        $stated = $isYears ? $this->yearsMpa : $this->shortMpa;
        $before = null;
        foreach ($stated as $temperature => $value) {
            if ($celsius <= $temperature) {
                return $value === null || $before === null
                    ? $value
                    : $before[1] + (($value - $before[1]) * ($celsius - $before[0])) / ($temperature - $before[0]);
            }
            if ($value === null) {
                return null;
            }
            $before = [$temperature, $value];
        }

        return null;
    }
}
