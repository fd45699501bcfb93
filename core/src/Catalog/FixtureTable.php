<?php

declare(strict_types=1);

namespace FallBend\Core\Catalog;

use FallBend\Core\Input\BadInput;
use FallBend\Core\Input\Fields;

/** What fixtures load a drain with, and the trap that each needs, by rulebook. */
final readonly class FixtureTable
{
    /** Kinds of fixtures; `bathroom-group` is a sum, not a fixture. */
    public const KINDS = [
        'lavatory',
        'bidet',
        'bath',
        'shower',
        'kitchen-sink',
        'sink',
        'bar-sink',
        'mop-sink',
        'dishwasher',
        'laundry-tub',
        'clothes-washer',
        'water-closet',
        'floor-drain',
        'urinal',
        'camper-inlet',
    ];

    /** Those that make up a bathroom group. */
    public const BATHROOM = ['lavatory', 'bidet', 'bath', 'shower', 'water-closet'];

    /** Those whose trap is part of them. */
    public const INTEGRAL = ['water-closet', 'urinal'];

    /** @param array<string, FixtureLoad> $loads by `fixture/rulebook` */
    private function __construct(private array $loads) {}

    /** @throws BadInput if a row is wrong */
    public static function read(Fields $file): self
    {
        $loads = [];
        foreach ($file->children('rows') as $row) {
            $loads[$row->string('fixture').'/'.$row->string('rulebook')] = new FixtureLoad(
                $row->string('fixture'),
                $row->string('name'),
                $row->number('value', 0, 1000),
                $row->string('unit'),
                $row->has('trap_size') ? $row->string('trap_size') : null,
                Provenance::read($row, 'fixtures'),
            );
        }

        return new self($loads);
    }

    /** Gives the load of a fixture under a rulebook; null where it has no row: then it is not known. */
    public function load(string $fixture, string $rulebook): ?FixtureLoad
    {
        return $this->loads["{$fixture}/{$rulebook}"] ?? null;
    }
}
