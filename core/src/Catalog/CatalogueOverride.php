<?php

declare(strict_types=1);

namespace FallBend\Core\Catalog;

use FallBend\Core\Input\BadInput;
use FallBend\Core\Input\Fields;

/** A number that the user measured on the thing in hand, in place of the catalogue's. */
final readonly class CatalogueOverride
{
    private function __construct(public string $table, public string $row, public string $field, public float $value, public string $source) {}

    /**
     * Reads `{table, row, field, value, source?}`: the table is the key of a pipe system or a table of parts, the field a number of
     * the row, which the catalogue may not know yet, the value inside the range that `Ranges` has for it.
     *
     * @throws BadInput if table, row or field is not in the catalogue, or the number is out of range
     */
    public static function read(Fields $fields, Catalogue $catalogue): self
    {
        $table = $fields->choice('table', $catalogue->tableKeys());
        $row = $catalogue->row($table, $fields->string('row')) ?? throw BadInput::at($fields->at('row'), "is no row of {$table}", $fields->string('row'));
        $field = $fields->string('field');
        if (! in_array($field, Catalogue::numbers($row), true)) {
            throw BadInput::at($fields->at('field'), 'is no number of that row; it has '.implode(', ', Catalogue::numbers($row)), $field);
        }
        $value = $fields->number('value');
        $catalogue->ranges()->checkNumber($table, $row, $field, $value, $fields->at('value'));
        $source = $fields->stringOr('source', 'measured on the fitting in hand');
        $override = new self($table, $fields->string('row'), $field, $value, $source);
        $fields->end();

        return $override;
    }

    /** @return array{table: string, row: string, field: string, value: float, source: string} */
    public function toArray(): array
    {
        return ['table' => $this->table, 'row' => $this->row, 'field' => $this->field, 'value' => $this->value, 'source' => $this->source];
    }
}
