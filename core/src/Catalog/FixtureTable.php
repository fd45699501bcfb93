<?php

declare(strict_types=1);

namespace FallBend\Core\Catalog;

use FallBend\Core\Input\BadInput;
use FallBend\Core\Input\Fields;

/** What fixtures load a drain with, and the trap that each needs, by rulebook. */
final readonly class FixtureTable
{
    /** So many bathrooms count together in a row of their own, where a book has one. */
    private const SEVERAL = ['1.5', '2.0', '2.5', '3.0', '3.5'];

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
     * Gives what fixtures of one room count together under a rulebook.
     *
     * @throws BadInput if a row is wrong
     */
    public function groups(string $rulebook): FixtureGroups
    {
        $bathrooms = [];
        foreach (['', ...array_column(FixtureVariant::cases(), 'value')] as $variant) {
            $whole = $this->whole('bathroom-group', $rulebook, $variant);
            if ($whole !== null) {
                $bathrooms[$variant] = $whole;
            }
        }
        $several = [];
        foreach (self::SEVERAL as $count) {
            $several[$count] = $this->whole("bathrooms-{$count}", $rulebook);
        }

        return new FixtureGroups(
            $bathrooms,
            $this->whole('half-bathroom', $rulebook),
            array_filter($several, is_float(...)),
            $this->whole('kitchen-group', $rulebook),
            $this->whole('laundry-group', $rulebook),
        );
    }

    /** @throws BadInput if the row is wrong */
    private function whole(string $what, string $rulebook, string $variant = ''): ?float
    {
        $row = $this->rows["{$what}/{$variant}/{$rulebook}"] ?? null;

        return $row === null ? null : FixtureLoad::read($row)->value;
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
