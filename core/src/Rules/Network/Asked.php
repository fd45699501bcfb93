<?php

declare(strict_types=1);

namespace FallBend\Core\Rules\Network;

use FallBend\Core\Catalog\Threshold;
use FallBend\Core\Verdict\Finding;
use FallBend\Core\Verdict\RuleId;
use FallBend\Core\Verdict\Severity;
use FallBend\Core\Verdict\Where;

/** What a rule has to know of the building, and nobody said: each is asked once of a job, where it first matters. */
final class Asked
{
    private const BUILDING = 'building.';

    /**
     * @param RuleId $fact one of `building.…`
     * @param ?Threshold $row of the book, that asks
     */
    public static function of(RuleId $fact, Where $where, ?Threshold $row): Finding
    {
        return new Finding(
            $fact,
            Severity::Unknown,
            $where,
            params: ['clause' => $row->provenance->source ?? ''],
            source: $row?->provenance,
        );
    }

    /**
     * Leaves one of each question out of all findings on a job.
     *
     * @param list<Finding> $findings
     * @return list<Finding>
     */
    public static function once(array $findings): array
    {
        $asked = [];

        return array_values(
            array_filter($findings, static function (Finding $finding) use (&$asked): bool {
                $id = $finding->rule->value;
                $isAgain = isset($asked[$id]);
                if (str_starts_with($id, self::BUILDING)) {
                    $asked[$id] = true;
                }

                return ! $isAgain;
            }),
        );
    }
}
