<?php

declare(strict_types=1);

namespace FallBend\Core\Rules\Network;

use FallBend\Core\Catalog\Rulebook;
use FallBend\Core\Job\ObstacleKind;
use FallBend\Core\Measure\Tolerance;
use FallBend\Core\Network\Network;
use FallBend\Core\Verdict\Finding;
use FallBend\Core\Verdict\RuleId;
use FallBend\Core\Verdict\Severity;

/** A pipe keeps its distance from other pipes and services. */
final readonly class ClearanceRule implements NetworkRule
{
    public const ID = RuleId::ClearanceSmall;

    public function judge(Network $network, Rulebook $rulebook): array
    {
        $least = $rulebook->limit('clearance.least');
        $findings = [];
        if ($least?->value === null) {
            return [];
        }
        foreach ($network->crossings as $c) {
            if (
                $c->obstacle->kind === ObstacleKind::Pipe &&
                $c->obstacle->gapMm !== null &&
                Tolerance::isUnder($c->obstacle->gapMm, $least->value, Tolerance::CONVERTED_MM)
            ) {
                $findings[] = new Finding(
                    self::ID,
                    Severity::Warn,
                    $network->where($c->obstacle->run, $c->tapeMm),
                    $c->obstacle->gapMm,
                    $least->value,
                    ['gap_mm' => $c->obstacle->gapMm, 'least_mm' => $least->value, 'what' => $c->name()],
                    $least->provenance,
                );
            }
        }

        return $findings;
    }
}
