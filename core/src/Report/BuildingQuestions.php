<?php

declare(strict_types=1);

namespace FallBend\Core\Report;

use FallBend\Core\Catalog\Provenance;
use FallBend\Core\Catalog\Rulebook;
use FallBend\Core\Catalog\Threshold;

/**
 * Writes what a rulebook asks of the building that a job stands in, by the field of the job file that answers it.
 *
 * @phpstan-import-type Source from Provenance
 *
 * @phpstan-type BuildingQuestion array{
 *     fact: 'one_family'|'storeys'|'coldest_c'|'snow_mm'|'roof_used'|'drain_ventilated'|'whole'|'renovation',
 *     source: Source,
 * }
 */
final class BuildingQuestions
{
    /** What asks for each of them: the topic of a row. */
    private const ASKED_BY = [
        'one_family' => ['suds.up', 'valve.taken'],
        'storeys' => ['suds.storeys-from'],
        'coldest_c' => ['vent.frost-below'],
        'snow_mm' => ['vent.over-snow'],
        'roof_used' => ['vent.above-used-roof'],
        'drain_ventilated' => ['venting.stub-stack'],
        'whole' => ['vent.aggregate'],
        'renovation' => ['valve.taken'],
    ];

    /** @return list<BuildingQuestion> those that the rulebook asks */
    public static function of(Rulebook $rulebook): array
    {
        $asked = [];
        foreach (self::ASKED_BY as $fact => $topics) {
            $rows = array_filter(array_map($rulebook->limit(...), $topics), self::asks(...));
            $row = array_values($rows)[0] ?? null;
            if ($row !== null) {
                $asked[] = ['fact' => $fact, 'source' => $row->provenance->toArray()];
            }
        }

        return $asked;
    }

    /** Whether a row asks: one of valves does so only where the book takes them in some places and not in others. */
    private static function asks(?Threshold $row): bool
    {
        return $row !== null && ($row->topic !== 'valve.taken' || $row->value === null);
    }
}
