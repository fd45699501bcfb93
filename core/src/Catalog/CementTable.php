<?php

declare(strict_types=1);

namespace FallBend\Core\Catalog;

use FallBend\Core\Input\BadInput;
use FallBend\Core\Input\Fields;
use LogicException;

/**
 * Solvent cements, primers and cleaners, bodies, times and yields. Lengths in mm, temperatures in °C, times in minutes
 * unless the name says else.
 */
final readonly class CementTable
{
    /**
     * @param list<array{id: string, name: string, standard: string, welds: list<string>, colour: string,
     *     provenance: Provenance}> $cements
     * @param array<string, array{name: string, standard: string, kind: string, provenance: Provenance}> $primers
     * @param list<array{id: string, up_to: float, said: string, provenance: Provenance}> $bodies
     * @param list<array{id: string, least: float, most: float}> $bands of temperature, warmest first
     * @param list<array{steps: list<array{up_to: float, min: array<string, float>}>, provenance: Provenance}> $sets
     * @param array{steps: list<array{up_to: float, min: array<string, float>}>, provenance: Provenance} $cure
     * @param array<string, Assumption> $numbers
     * @param list<array{up_to: float, pint: float, quart: float, litre: float, provenance: Provenance}> $yields
     */
    private function __construct(
        public array $cements,
        public array $primers,
        public array $bodies,
        public array $bands,
        public array $sets,
        public array $cure,
        private array $numbers,
        public array $yields,
    ) {}

    /** @throws BadInput if the table is damaged */
    public static function read(Fields $file): self
    {
        $primers = [];
        foreach ($file->children('primers') as $r) {
            $primers[$r->string('id')] = [
                'name' => $r->string('name'),
                'standard' => $r->string('standard'),
                'kind' => $r->string('kind'),
                'provenance' => Provenance::read($r, 'cements'),
            ];
        }
        $numbers = [];
        foreach ($file->children('numbers') as $r) {
            $numbers[$r->string('id')] = new Assumption(
                $r->number('value'),
                $r->string('unit'),
                Provenance::read($r, 'cements'),
            );
        }
        $cure = array_map(self::times(...), $file->children('cure'))[0] ?? throw BadInput::at('cure', 'is missing');

        return new self(
            array_map(
                static fn (Fields $r): array => [
                    'id' => $r->string('id'),
                    'name' => $r->string('name'),
                    'standard' => $r->string('standard'),
                    'welds' => $r->strings('welds'),
                    'colour' => $r->string('colour'),
                    'provenance' => Provenance::read($r, 'cements'),
                ],
                $file->children('cements'),
            ),
            $primers,
            array_map(
                static fn (Fields $r): array => [
                    'id' => $r->string('id'),
                    'up_to' => $r->number('up_to_od_mm'),
                    'said' => $r->string('said'),
                    'provenance' => Provenance::read($r, 'cements'),
                ],
                $file->children('bodies'),
            ),
            array_map(
                static fn (Fields $r): array => [
                    'id' => $r->string('id'),
                    'least' => $r->number('least_c'),
                    'most' => $r->number('most_c'),
                ],
                $file->children('bands'),
            ),
            array_map(self::times(...), $file->children('set')),
            $cure,
            $numbers,
            array_map(
                static fn (Fields $r): array => [
                    'up_to' => $r->number('up_to_od_mm'),
                    'pint' => $r->number('joints_per_pint'),
                    'quart' => $r->number('joints_per_quart'),
                    'litre' => $r->number('joints_per_litre'),
                    'provenance' => Provenance::read($r, 'cements'),
                ],
                $file->children('yields'),
            ),
        );
    }

    /** Gives a single number of the table by its id. */
    public function number(string $id): Assumption
    {
        return $this->numbers[$id] ?? throw new LogicException("the table of cements has no number {$id}");
    }

    /**
     * Gives the cement that welds two materials: one made for just these, or null.
     *
     * @return array{id: string, name: string, standard: string, welds: list<string>, colour: string,
     *     provenance: Provenance}|null
     */
    public function cement(string $a, string $b): ?array
    {
        $best = null;
        foreach ($this->cements as $cement) {
            if (
                in_array($a, $cement['welds'], true) &&
                in_array($b, $cement['welds'], true) &&
                ($best === null || count($cement['welds']) < count($best['welds']))
            ) {
                $best = $cement;
            }
        }

        return $best;
    }

    /** @return array{steps: list<array{up_to: float, min: array<string, float>}>, provenance: Provenance} */
    private static function times(Fields $row): array
    {
        $steps = [];
        foreach ($row->children('steps') as $step) {
            $minutes = $step->child('min');
            $steps[] = [
                'up_to' => $step->number('up_to_od_mm'),
                'min' => [
                    'warm' => $minutes->number('warm'),
                    'cool' => $minutes->number('cool'),
                    'cold' => $minutes->number('cold'),
                ],
            ];
        }

        return ['steps' => $steps, 'provenance' => Provenance::read($row, 'cements')];
    }
}
