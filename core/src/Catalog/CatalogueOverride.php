<?php

declare(strict_types=1);

namespace FallBend\Core\Catalog;

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

    /** What is measured of a part, as it is said: the numbers that `Ranges` knows, without their unit. */
    private const FIELDS = [
        'take_off_mm' => 'centre to stop',
        'spigot_mm' => 'centre to spigot',
        'outlet_mm' => 'centre to stop of the outlet',
        'run_in_mm' => 'up the run, to the stop',
        'run_out_mm' => 'down the run, to the stop',
        'branch_mm' => 'along the branch, to the stop',
        'stop_mm' => 'stop',
        'offset_mm' => 'stop to stop',
        'length_mm' => 'length',
        'body_mm' => 'stop to face',
    ];

    /** Gives what it is about, size first: `1-1/2 san tee, down the run, to the stop`. */
    public function inWords(): string
    {
        [$pattern, $size] = [...explode('/', $this->row, 2), ''];
        $field = self::FIELDS[$this->field] ?? str_replace(['_mm', '_'], ['', ' '], $this->field);

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
