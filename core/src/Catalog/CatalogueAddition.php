<?php

declare(strict_types=1);

namespace FallBend\Core\Catalog;

use FallBend\Core\Input\BadInput;
use FallBend\Core\Input\Fields;

/** A row of the user's own: a coupling whose print was read, a bend that was measured. */
final readonly class CatalogueAddition
{
    /** Where rows of one's own may be added. */
    public const GROUPS = ['bends', 'couplings', 'bushings', 'rows'];

    /** @param  array<array-key, mixed>  $row as it stands in the table */
    private function __construct(public string $table, public string $group, public array $row) {}

    /**
     * Reads `{table, group, row}`; the row is checked as the table's own rows are, and marked as measured.
     *
     * @throws BadInput at the field of the row that is wrong
     */
    public static function read(Fields $fields, Catalogue $catalogue): self
    {
        $table = $fields->choice('table', $catalogue->tableKeys());
        $group = $fields->choice('group', self::GROUPS);
        $row = $fields->child('row');
        $id = $row->string('id');
        if (preg_match('#^own/[\w./× -]{1,60}$#u', $id) !== 1) {
            throw BadInput::at($row->at('id'), 'must begin with own/', $id);
        }
        $raw = ['status' => 'measured', 'confidence' => 'high'] + $row->all();
        $addition = new self($table, $group, $raw);
        $fields->end();
        $catalogue->with([], [$addition])->check($table, $row->path);

        return $addition;
    }

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
