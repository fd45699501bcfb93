<?php

declare(strict_types=1);

namespace FallBend\Core\Buying;

use FallBend\Core\Catalog\Provenance;
use FallBend\Core\Input\DataFile;
use FallBend\Core\Input\Fields;
use FallBend\Core\Job\End;
use FallBend\Core\Job\TrapKind;

/**
 * What the end of a run takes beside its joint: the flange, seal and bolts of a closet, a flashing, a cap, a valve, a
 * trap. From core/data/parts/ends.json.
 *
 * @phpstan-type EndPart array{
 *     shelf: 'end'|'consumable',
 *     what: string,
 *     count: int,
 *     sized: bool,
 *     note: string,
 *     source: Provenance,
 * }
 */
final class EndParts
{
    /** @var array<string, list<array{string, EndPart}>> with the country that it is for, by end */
    private array $rows = [];

    public function __construct()
    {
        foreach (Fields::of(DataFile::read('parts/ends.json'))->children('rows', 200) as $row) {
            $this->rows[$row->string('end')][] = [
                $row->string('region'),
                [
                    'shelf' => $row->choice('shelf', ['end', 'consumable']),
                    'what' => $row->string('what'),
                    'count' => $row->int('count', 1, 100),
                    'sized' => $row->bool('sized', false),
                    'note' => $row->stringOr('note', ''),
                    'source' => Provenance::read($row, 'ends'),
                ],
            ];
        }
    }

    /**
     * Gives what the end of a run takes.
     *
     * @param string $region of the pipe
     * @return list<EndPart>
     */
    public function of(End $end, string $region): array
    {
        $parts = [];
        foreach (self::names($end) as $name) {
            foreach ($this->rows[$name] ?? [] as [$for, $part]) {
                if ($for === 'any' || $for === $region) {
                    $parts[] = $part;
                }
            }
        }

        return $parts;
    }

    /** @return list<string> what an end is called in the table: its kind, its fixture, its trap */
    private static function names(End $end): array
    {
        $names = [$end->kind->value];
        if ($end->fixture !== null) {
            $names[] = $end->fixture->kind->value;
            $trap = $end->fixture->trap;
            if ($trap !== TrapKind::None && $trap !== TrapKind::Integral) {
                $names[] = "trap-{$trap->value}";
            }
        }

        return $names;
    }
}
