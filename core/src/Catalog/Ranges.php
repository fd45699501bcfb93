<?php

declare(strict_types=1);

namespace FallBend\Core\Catalog;

use FallBend\Core\Input\BadInput;
use FallBend\Core\Input\Fields;

/**
 * What a number of the catalogue or of a rulebook may be set to, from `schemas/own-numbers.json`. Every value inside
 * its range
 * can be read by the catalogue and reckoned with; whether it is wise is for those who set it.
 */
final readonly class Ranges
{
    /**
     * @param array<string, array<array-key, mixed>> $fields by `table field unit`, `table field`, or `field`
     * @param array<array-key, mixed> $otherField for fields that none of these names
     * @param array<string, array<array-key, mixed>> $topics of thresholds
     * @param array<string, array<array-key, mixed>> $units of thresholds
     */
    private function __construct(
        private array $fields,
        private array $otherField,
        private array $topics,
        private array $units,
    ) {}

    /** @throws BadInput if the file is damaged */
    public static function read(Fields $schema): self
    {
        $parts = $schema->child('$defs');
        $fields = $parts->child('fields');

        return new self(
            self::byName($fields),
            $fields->child('additionalProperties')->all(),
            self::byName($parts->child('topics')),
            self::byName($parts->child('units')),
        );
    }

    /**
     * Checks a number of a row.
     *
     * @param array<array-key, mixed> $row raw, for its unit
     * @param string $at the place of the value in what was given
     *
     * @throws BadInput if it is out of range
     */
    public function checkNumber(string $table, array $row, string $field, float $value, string $at): void
    {
        $unit = is_string($row['unit'] ?? null) ? $row['unit'] : '';
        $range =
            $this->fields["{$table} {$field} {$unit}"] ??
            ($this->fields["{$table} {$field}"] ?? ($this->fields[$field] ?? $this->otherField));
        self::check($range, $value, $at, $unit);
    }

    /**
     * Checks the value of a threshold, in its unit.
     *
     * @param string $at the place of the value in what was given
     *
     * @throws BadInput if it is out of range
     */
    public function checkThreshold(Threshold $threshold, float $value, string $at): void
    {
        $range = $this->topics[$threshold->topic] ?? ($this->units[$threshold->unit] ?? $this->otherField);
        self::check(
            $range,
            $value,
            $at,
            $threshold->unit === 'yes_no' ? '1 for yes, 0 for no' : str_replace('_', ' ', $threshold->unit),
        );
    }

    /**
     * @return array<string, array<array-key, mixed>>
     *
     * @throws BadInput
     */
    private static function byName(Fields $group): array
    {
        $properties = $group->child('properties');
        $ranges = [];
        foreach (array_keys($properties->all()) as $name) {
            $ranges[(string) $name] = $properties->child((string) $name)->all();
        }

        return $ranges;
    }

    /**
     * @param array<array-key, mixed> $range `minimum`, `maximum`, and `multipleOf` 1 for whole numbers
     *
     * @throws BadInput
     */
    private static function check(array $range, float $value, string $at, string $unit): void
    {
        $fields = Fields::of($range, 'range');
        [$least, $most] = [$fields->number('minimum'), $fields->number('maximum')];
        $isWhole = isset($range['multipleOf']);
        if ($value < $least || $value > $most || ($isWhole && floor($value) !== $value)) {
            throw BadInput::at(
                $at,
                'must be '.
                    ($isWhole ? 'a whole number ' : '').
                    "from {$least} to {$most}".
                    ($unit === '' ? '' : " ({$unit})"),
                $value,
            );
        }
    }
}
