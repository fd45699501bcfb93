<?php

declare(strict_types=1);

namespace FallBend\Core\Catalog;

use FallBend\Core\Input\BadInput;
use FallBend\Core\Input\Fields;

/**
 * What one fixture loads a drain with: fixture units, or litres a second where the rulebook counts so; and the least
 * trap that it needs.
 */
final readonly class FixtureLoad
{
    public function __construct(
        public string $fixture,
        public string $name,
        public float $value,
        public string $unit,
        public ?string $trapSize,
        public Provenance $provenance,
    ) {}

    /** @throws BadInput at the field of the row that is wrong */
    public static function read(Fields $row): self
    {
        return new self(
            $row->string('fixture'),
            $row->string('name'),
            $row->number('value', 0, 1000),
            $row->string('unit'),
            $row->has('trap_size') ? $row->string('trap_size') : null,
            Provenance::read($row, 'fixtures'),
        );
    }
}
