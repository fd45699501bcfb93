<?php

declare(strict_types=1);

namespace FallBend\Core\Rules\Network;

use FallBend\Core\Catalog\Rulebook;
use FallBend\Core\Catalog\Threshold;
use FallBend\Core\Job\ObstacleKind;
use FallBend\Core\Measure\Tolerance;
use FallBend\Core\Network\Crossing;
use FallBend\Core\Network\Network;
use FallBend\Core\Verdict\Finding;
use FallBend\Core\Verdict\RuleId;
use FallBend\Core\Verdict\Severity;
use FallBend\Core\Verdict\Where;

/**
 * A pipe close behind the edge of timber is found by a nail or a screw, unless it is iron or steel: a steel plate goes
 * over it.
 */
final readonly class ShieldPlateRule implements NetworkRule
{
    public const ID = RuleId::ShieldPlate;

    public function judge(Network $network, Rulebook $rulebook): array
    {
        $least = $rulebook->limit('shield.edge-least');
        if ($least?->value === null) {
            return [];
        }
        $findings = [];
        foreach ($network->crossings as $c) {
            $material = $network->layout->runs[$c->obstacle->run]->system->material;
            if ($c->isTimber() && ! in_array($material, ['iron', 'steel'], true)) {
                $where = $network->where($c->obstacle->run, $c->tapeMm);
                array_push($findings, ...self::judgeCrossing($c, $least, $where, $rulebook));
            }
        }

        return $findings;
    }

    /** @return list<Finding> */
    private static function judgeCrossing(Crossing $c, Threshold $least, Where $where, Rulebook $rulebook): array
    {
        $names = ['what' => $c->name(), 'least_mm' => $least->value ?? 0.0];
        // Where nobody measured, it is as far from both edges as it can be.
        $middle = $c->nearerEdgeMm() ?? ($c->obstacle->depthMm === null ? null : $c->obstacle->depthMm / 2);
        $edge = $middle === null ? INF : $middle - $c->outsideMm / 2;
        if (Tolerance::isUnder($edge, ($least->value ?? 0.0), Tolerance::CONVERTED_MM)) {
            $names += [
                'edge_mm' => max(0.0, $edge),
                'past_mm' => $rulebook->number('shield.past-least'),
                'gauge' => (int) $rulebook->number('shield.gauge'),
            ];

            return [new Finding(self::ID, Severity::Warn, $where, $edge, $least->value, $names, $least->provenance)];
        }
        $isOpen =
            $c->nearerEdgeMm() === null && $c->obstacle->kind !== ObstacleKind::Joist && $c->obstacle->depthMm !== null;

        return $isOpen
            ? [
                new Finding(
                    RuleId::ShieldMeasure,
                    Severity::Unknown,
                    $where,
                    params: $names,
                    source: $least->provenance,
                ),
            ]
            : [];
    }
}
