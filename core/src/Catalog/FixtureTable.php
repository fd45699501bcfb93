<?php

declare(strict_types=1);

namespace FallBend\Core\Catalog;

use FallBend\Core\Input\BadInput;
use FallBend\Core\Input\Fields;

/** What fixtures load a drain with, and the trap that each needs, by rulebook. */
final readonly class FixtureTable
{
    /** What a bathroom counts together is a row like one of a fixture. */
    private const GROUP = 'bathroom-group';

    /** @param array<string, Fields> $rows by `fixture/rulebook` */
    private function __construct(private array $rows) {}

    /**
     * A row is read when it is asked for, and may be refused then; `check` reads all of them.
     *
     * @throws BadInput if a row names no fixture or no rulebook
     */
    public static function read(Fields $file): self
    {
        $rows = [];
        foreach ($file->children('rows') as $row) {
            $rows[$row->string('fixture').'/'.$row->string('rulebook')] = $row;
        }

        return new self($rows);
    }

    /**
     * Reads every row.
     *
     * @throws BadInput at the number of the row and the field that is wrong: `rows.12.value`
     */
    public function check(): void
    {
        array_map(FixtureLoad::read(...), $this->rows);
    }

    /**
     * Gives the load of a fixture under a rulebook; null where it has no row: then it is not known.
     *
     * @throws BadInput if the row is wrong
     */
    public function load(FixtureKind $fixture, string $rulebook): ?FixtureLoad
    {
        return $this->row($fixture->value, $rulebook);
    }

    /**
     * Gives what a bathroom group counts together under a rulebook; null where the rulebook has no such row.
     *
     * @throws BadInput if the row is wrong
     */
    public function bathroomGroup(string $rulebook): ?FixtureLoad
    {
        return $this->row(self::GROUP, $rulebook);
    }

    private function row(string $name, string $rulebook): ?FixtureLoad
    {
        $row = $this->rows["{$name}/{$rulebook}"] ?? null;

        return $row === null ? null : FixtureLoad::read($row);
    }
}
