<?php

declare(strict_types=1);

namespace FallBend\Core\Catalog;

use FallBend\Core\Input\BadInput;
use FallBend\Core\Input\Fields;

/** Reads rows of the user's own, against the tables that they go into. */
final class CatalogueAdditionFile
{
    /** Where rows of one's own may be added: these groups of a pipe system, and these tables of parts. */
    private const GROUPS = ['bends', 'couplings', 'bushings'];

    private const PARTS = ['couplings', 'gaskets', 'adapters', 'fixtures', 'tools'];

    /**
     * Reads one `{table, group, row}`; see `list`.
     *
     * @throws BadInput at the field of the row that is wrong
     */
    public static function read(Fields $fields, Catalogue $catalogue): CatalogueAddition
    {
        return self::list([$fields], $catalogue)[0];
    }

    /**
     * Reads rows of one's own. Each is checked as the table's own rows are, its numbers against their ranges, and
     * marked as
     * measured. A table is read once, however many rows are added to it.
     *
     * @param list<Fields> $rows objects of `{table, group, row}`
     * @return list<CatalogueAddition>
     *
     * @throws BadInput at the field of the row that is wrong
     */
    public static function list(array $rows, Catalogue $catalogue): array
    {
        $additions = array_map(
            static fn (Fields $fields): CatalogueAddition => self::shaped($fields, $catalogue),
            $rows,
        );
        $places = [];
        foreach ($additions as $n => $addition) {
            $places[$addition->table][$addition->group][] = $n;
        }
        foreach ($places as $table => $groups) {
            $ofTable = array_values(
                array_filter($additions, static fn (CatalogueAddition $addition): bool => $addition->table === $table),
            );
            try {
                $catalogue->with([], $ofTable)->check($table);
            } catch (BadInput $bad) {
                $known = preg_match('/^(\w+)\.(\d+)\.?(.*)$/s', $bad->field, $at) === 1;
                $shipped = $known ? $catalogue->table($table)[$at[1]] ?? [] : [];
                $n = $known ? $groups[$at[1]][(int) $at[2] - (is_array($shipped) ? count($shipped) : 0)] ?? null : null;
                $row = $rows[$n ?? min(array_merge(...array_values($groups)))];
                throw BadInput::at(
                    $row->at('row').($known && $at[3] !== '' ? ".{$at[3]}" : ''),
                    $bad->getMessage(),
                    $bad->given,
                );
            }
        }

        return $additions;
    }

    /** @throws BadInput */
    private static function shaped(Fields $fields, Catalogue $catalogue): CatalogueAddition
    {
        $table = $fields->choice('table', [...$catalogue->systemKeys(), ...self::PARTS]);
        $group = $fields->choice('group', in_array($table, $catalogue->systemKeys(), true) ? self::GROUPS : ['rows']);
        $row = $fields->child('row');
        $id = $row->string('id');
        if (preg_match('#^own/[\w./× -]{1,60}\z#u', $id) !== 1) {
            throw BadInput::at($row->at('id'), 'must begin with own/', $id);
        }
        $raw = ['status' => 'measured', 'confidence' => 'high'] + $row->all();
        foreach (Catalogue::numbers($raw) as $field) {
            $value = $row->numberOrNull($field);
            if ($value !== null) {
                $catalogue->ranges()->checkNumber($table, $raw, $field, $value, $row->at($field));
            }
        }
        $fields->end();

        return new CatalogueAddition($table, $group, $raw);
    }
}
