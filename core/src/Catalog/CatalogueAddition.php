<?php

declare(strict_types=1);

namespace FallBend\Core\Catalog;

/** A row of the user's own: a coupling whose print was read, a bend that was measured. */
final readonly class CatalogueAddition
{
    /** @param array<array-key, mixed> $row as it stands in the table */
    public function __construct(public string $table, public string $group, public array $row) {}

    /** Gives the id of the row; it begins with `own/`. */
    public function id(): string
    {
        return is_string($this->row['id'] ?? null) ? $this->row['id'] : '';
    }

    /** @return array{table: string, group: string, row: array<array-key, mixed>} */
    public function toArray(): array
    {
        return ['table' => $this->table, 'group' => $this->group, 'row' => $this->row];
    }
}
