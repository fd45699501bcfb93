<?php

declare(strict_types=1);

namespace FallBend\Core\Catalog;

use FallBend\Core\Input\BadInput;
use FallBend\Core\Input\Fields;

/** Reads a number that the user measured, against the table that it goes into. */
final class CatalogueOverrideFile
{
    /**
     * Reads `{table, row, field, value, source?}`: the table is the key of a pipe system or a table of parts, the field
     * a number of
     * the row, which the catalogue may not know yet, the value inside the range that `Ranges` has for it.
     *
     * @throws BadInput if table, row or field is not in the catalogue, or the number is out of range
     */
    public static function read(Fields $fields, Catalogue $catalogue): CatalogueOverride
    {
        $table = $fields->choice('table', $catalogue->tableKeys());
        $row =
            $catalogue->row($table, $fields->string('row')) ??
            throw BadInput::at($fields->at('row'), "is no row of {$table}", $fields->string('row'));
        $field = $fields->string('field');
        if (! in_array($field, Catalogue::numbers($row), true)) {
            throw BadInput::at(
                $fields->at('field'),
                'is no number of that row; it has '.implode(', ', Catalogue::numbers($row)),
                $field,
            );
        }
        $value = $fields->number('value');
        $catalogue->ranges()->checkNumber($table, $row, $field, $value, $fields->at('value'));
        $source = $fields->stringOr('source', 'measured on the fitting in hand');
        $override = new CatalogueOverride($table, $fields->string('row'), $field, $value, $source);
        $fields->end();

        return $override;
    }
}
