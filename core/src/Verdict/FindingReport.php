<?php

declare(strict_types=1);

namespace FallBend\Core\Verdict;

use FallBend\Core\Catalog\Provenance;
use FallBend\Core\Measure\Units;
use stdClass;

/**
 * Writes findings as every answer carries them, with their sentences.
 *
 * @phpstan-import-type Source from Provenance
 *
 * @phpstan-type SaidFinding array{
 *     rule: value-of<RuleId>,
 *     severity: value-of<Severity>,
 *     where: array{
 *         leg: ?int,
 *         leg_id: ?string,
 *         piece: ?string,
 *         joint: ?int,
 *         tape_mm: ?float,
 *     },
 *     measured: ?float,
 *     limit: ?float,
 *     params: stdClass,
 *     title: string,
 *     why: string,
 *     remedy: string,
 *     source: Source|null,
 * }
 */
final class FindingReport
{
    /**
     * @param list<Finding> $findings
     * @return list<SaidFinding>
     */
    public static function list(array $findings, Units $units): array
    {
        $wording = new Wording($units);

        return array_map(static function (Finding $finding) use ($wording): array {
            return [
                'rule' => $finding->rule->value,
                'severity' => $finding->severity->value,
                'where' => $finding->where->toArray(),
                'measured' => $finding->measured,
                'limit' => $finding->limit,
                'params' => (object) $finding->params,
                ...$wording->sentences($finding),
                'source' => $finding->source?->toArray(),
            ];
        }, $findings);
    }
}
