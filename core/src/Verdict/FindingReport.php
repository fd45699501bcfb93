<?php

declare(strict_types=1);

namespace FallBend\Core\Verdict;

use FallBend\Core\Measure\Units;

/** Writes findings as every answer carries them, with their sentences. */
final class FindingReport
{
    /**
     * @param list<Finding> $findings
     * @return list<array<string, mixed>>
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
                ...$wording->of($finding),
                'source' => $finding->source?->toArray(),
            ];
        }, $findings);
    }
}
