<?php

declare(strict_types=1);

namespace FallBend\Core\Catalog;

use FallBend\Core\Input\Fields;

/** Everything that two ends are joined with: couplings by method, gaskets and adapters by id. */
final readonly class JoiningParts
{
    /**
     * @param array<string, list<Coupling>> $couplings by method
     * @param array<string, Coupling> $couplingsById
     * @param array<string, Part> $parts gaskets and adapters by id
     */
    private function __construct(public array $couplings, public array $couplingsById, public array $parts) {}

    /** Reads the tables of a catalogue. */
    public static function read(Catalogue $catalogue): self
    {
        [$couplings, $byId, $parts] = [[], [], []];
        foreach (Fields::of($catalogue->table('couplings'))->children('rows') as $row) {
            $coupling = Coupling::read($row, $catalogue);
            $couplings[$coupling->method][] = $coupling;
            $byId[$coupling->id] = $coupling;
        }
        foreach (['gaskets', 'adapters'] as $table) {
            foreach (Fields::of($catalogue->table($table))->children('rows') as $row) {
                $part = Part::read($row, $table, $catalogue);
                $parts[$part->id] = $part;
            }
        }

        return new self($couplings, $byId, $parts);
    }

    /** @return list<Part> the gaskets and adapters of a method */
    public function of(string $method): array
    {
        return array_values(array_filter($this->parts, static fn (Part $part): bool => $part->method === $method));
    }
}
