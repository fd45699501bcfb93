<?php

declare(strict_types=1);

namespace FallBend\Core\Catalog;

use FallBend\Core\Measure\Units;

/** A number that the user measured on the thing in hand, in place of the catalogue's. */
final readonly class CatalogueOverride
{
    public function __construct(
        public string $table,
        public string $row,
        public string $field,
        public float $value,
        public string $source,
    ) {}

    /** Gives what it is about, size first: `1-1/2 san tee, down the run, centre to stop`. */
    public function inWords(Units $units): string
    {
        [$pattern, $size] = [...explode('/', $this->row, 2), ''];
        $field = NumberNames::label($this->field, $units);

        return trim(str_replace('x', ' × ', $size).' '.str_replace('-', ' ', $pattern)).", {$field}";
    }

    /** @return array{table: string, row: string, field: string, value: float, source: string} */
    public function toArray(): array
    {
        return [
            'table' => $this->table,
            'row' => $this->row,
            'field' => $this->field,
            'value' => $this->value,
            'source' => $this->source,
        ];
    }
}
