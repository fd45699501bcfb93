<?php

declare(strict_types=1);

namespace FallBend\Core\Catalog;

use FallBend\Core\Input\BadInput;
use FallBend\Core\Input\DataFile;
use FallBend\Core\Input\Fields;

/**
 * Everything that two ends are joined with: couplings, gaskets and adapters. A row is read when it is first asked for.
 *
 * @phpstan-import-type RowValues from DataFile
 */
final class JoiningParts
{
    /** @var array<string, list<Part>> by method */
    private array $ofMethods = [];

    /**
     * @param Rows<Coupling> $couplings
     * @param Rows<Part> $gaskets
     * @param Rows<Part> $adapters
     */
    private function __construct(
        public readonly Rows $couplings,
        public readonly Rows $gaskets,
        public readonly Rows $adapters,
    ) {}

    /**
     * @param array<string, array<array-key, RowValues>> $stored rows that were read before, by table
     *
     * @throws BadInput if a table is no list
     */
    public static function read(PipeSystems $systems, array $stored = []): self
    {
        $parts = static fn (string $table): Rows => Rows::under(
            Fields::of($systems->table($table)),
            'rows',
            static fn (Fields $row): Part => Part::read($row, $table, $systems),
            stored: $stored[$table] ?? [],
        );
        $couplings = Rows::under(
            Fields::of($systems->table('couplings')),
            'rows',
            static fn (Fields $row): Coupling => Coupling::read($row, $systems),
            stored: $stored['couplings'] ?? [],
        );

        return new self($couplings, $parts('gaskets'), $parts('adapters'));
    }

    /** @return list<Coupling> the couplings of a method, in the order of the file */
    public function couplingsOf(string $method): array
    {
        return $this->couplings->having('method', $method);
    }

    /** @return list<Part> the gaskets and adapters of a method, in the order of the files */
    public function forMethod(string $method): array
    {
        return $this->ofMethods[$method] ??= [
            ...$this->gaskets->having('method', $method),
            ...$this->adapters->having('method', $method),
        ];
    }

    /** Gives a gasket or an adapter by its id, or null. */
    public function part(string $id): ?Part
    {
        return $this->gaskets[$id] ?? ($this->adapters[$id] ?? null);
    }

    /**
     * @return array<string, array<array-key, RowValues>> all rows, as their values, by table: what `read` takes as
     *     stored
     */
    public function rowValues(): array
    {
        return [
            'couplings' => $this->couplings->rowValues(),
            'gaskets' => $this->gaskets->rowValues(),
            'adapters' => $this->adapters->rowValues(),
        ];
    }

    /**
     * Reads every row.
     *
     * @throws BadInput at the row and the field that is wrong
     */
    public function check(): void
    {
        foreach ([$this->couplings, $this->gaskets, $this->adapters] as $rows) {
            $rows->all();
        }
    }
}
