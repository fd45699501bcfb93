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

    /** @param array<string, Fields> $rows by `fixture/variant/rulebook`; the usual one has no variant */
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
            $variant = $row->stringOr('variant', '');
            $rows["{$row->string('fixture')}/{$variant}/{$row->string('rulebook')}"] = $row;
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
     * @param ?FixtureVariant $variant null: the usual one of its kind
     *
     * @throws BadInput if the row is wrong
     */
    public function load(FixtureKind $fixture, string $rulebook, ?FixtureVariant $variant = null): ?FixtureLoad
    {
        $row = $this->rows["{$fixture->value}/".($variant->value ?? '')."/{$rulebook}"] ?? null;

        return $row === null ? null : FixtureLoad::read($row);
    }

    /**
     * Gives what a bathroom group counts together under a rulebook, by the variant of its closet, '' the usual one;
     * empty where the rulebook counts no groups.
     *
     * @return array<string, FixtureLoad>
     *
     * @throws BadInput if a row is wrong
     */
    public function bathroomGroups(string $rulebook): array
    {
        $groups = [];
        foreach (['', ...array_column(FixtureVariant::cases(), 'value')] as $variant) {
            $row = $this->rows[self::GROUP."/{$variant}/{$rulebook}"] ?? null;
            if ($row !== null) {
                $groups[$variant] = FixtureLoad::read($row);
            }
        }

        return $groups;
    }

    /**
     * Gives every row of a fixture that is not the usual one of its kind.
     *
     * @return list<array{fixture: string, variant: string, rulebook: string, name: string}>
     *
     * @throws BadInput if a row is wrong
     */
    public function variants(): array
    {
        $variants = [];
        foreach ($this->rows as $row) {
            $fixture = FixtureKind::tryFrom($row->string('fixture'));
            if ($fixture !== null && $row->has('variant')) {
                $variants[] = [
                    'fixture' => $fixture->value,
                    'variant' => $row->enum('variant', FixtureVariant::class)->value,
                    'rulebook' => $row->string('rulebook'),
                    'name' => $row->string('name'),
                ];
            }
        }

        return $variants;
    }
}
