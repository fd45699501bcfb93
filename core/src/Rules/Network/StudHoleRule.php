<?php

declare(strict_types=1);

namespace FallBend\Core\Rules\Network;

use FallBend\Core\Catalog\Rulebook;
use FallBend\Core\Job\ObstacleKind;
use FallBend\Core\Measure\Tolerance;
use FallBend\Core\Network\Crossing;
use FallBend\Core\Network\Network;
use FallBend\Core\Verdict\Finding;
use FallBend\Core\Verdict\RuleId;
use FallBend\Core\Verdict\Severity;
use FallBend\Core\Verdict\Where;

/** A hole in a stud leaves enough of it, more in a bearing wall; a plate that is cut through is strapped. */
final readonly class StudHoleRule implements NetworkRule
{
    public function judge(Network $network, Rulebook $rulebook): array
    {
        $findings = [];
        foreach ($network->crossings as $c) {
            if (! in_array($c->obstacle->kind, [ObstacleKind::Stud, ObstacleKind::Plate], true)) {
                continue;
            }
            $where = $network->where($c->obstacle->run, $c->tapeMm);
            array_push(
                $findings,
                ...$c->obstacle->depthMm === null
                    ? [TimberFindings::notMeasured($c, $where)]
                    : [
                        ...self::hole($c, $c->obstacle->depthMm, $where, $rulebook),
                        ...$c->obstacle->kind === ObstacleKind::Stud
                            ? self::edge($c, $c->obstacle->depthMm, $where, $rulebook)
                            : [],
                    ],
            );
        }

        return $findings;
    }

    /** @return list<Finding> on how large the hole is */
    private static function hole(Crossing $c, float $depthMm, Where $where, Rulebook $rulebook): array
    {
        [$isPlate, $wall] = [$c->obstacle->kind === ObstacleKind::Plate, $c->obstacle->isBearing ? 'bearing' : 'other'];
        $ofStud = $c->obstacle->isBearing ? 'stud.hole-bearing' : 'stud.hole-other';
        // Some books say how much may go, others how much has to stay.
        $left = $isPlate ? 'plate.left-least' : ($c->obstacle->isBearing ? '' : 'stud.left-least');
        $least = $left === '' ? null : $rulebook->limit($left);
        $most = $least ?? $rulebook->limit($isPlate ? 'plate.cut-most' : $ofStud);
        $mostMm = match (true) {
            $most?->value === null => INF,
            $least !== null => max(0.0, $depthMm - $most->value),
            default => $most->value * $depthMm,
        };

        return ! Tolerance::isOver($c->holeMm, $mostMm, Tolerance::CONVERTED_MM)
            ? []
            : [
                new Finding(
                    $isPlate ? RuleId::PlateCut : RuleId::StudHole,
                    $isPlate ? Severity::Warn : Severity::Stop,
                    $where,
                    $c->holeMm,
                    $mostMm,
                    TimberFindings::names($c) + ['most_mm' => $mostMm, 'wall' => $wall],
                    $most?->provenance,
                ),
            ];
    }

    /** @return list<Finding> on how much is left beside it */
    private static function edge(Crossing $c, float $depthMm, Where $where, Rulebook $rulebook): array
    {
        $least = $rulebook->limit('stud.edge-least');
        $edge = ($c->nearerEdgeMm() ?? $depthMm / 2) - $c->holeMm / 2;

        return $least?->value === null || ! Tolerance::isUnder($edge, $least->value, Tolerance::CONVERTED_MM)
            ? []
            : [
                new Finding(
                    RuleId::StudEdge,
                    Severity::Stop,
                    $where,
                    $edge,
                    $least->value,
                    TimberFindings::names($c) + ['edge_mm' => max(0.0, $edge), 'least_mm' => $least->value],
                    $least->provenance,
                ),
            ];
    }
}
