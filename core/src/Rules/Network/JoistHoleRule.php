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

/**
 * A hole in a sawn joist is small, and away from its edges; nothing is cut from the flange of an engineered one, nor
 * from a truss.
 */
final readonly class JoistHoleRule implements NetworkRule
{
    public function judge(Network $network, Rulebook $rulebook): array
    {
        $findings = [];
        foreach ($network->crossings as $crossing) {
            if ($crossing->obstacle->kind->isJoist() && $crossing->obstacle->cut === 'hole') {
                array_push($findings, ...self::judgeHole($crossing, $network, $rulebook));
            }
        }

        return $findings;
    }

    /** @return list<Finding> */
    private static function judgeHole(Crossing $c, Network $network, Rulebook $rulebook): array
    {
        $where = $network->where($c->obstacle->run, $c->tapeMm);
        [$depth, $nearer] = [$c->obstacle->depthMm, $c->nearerEdgeMm()];
        if ($c->obstacle->kind === ObstacleKind::Truss) {
            return [TimberFindings::truss($c, $where)];
        }
        if ($depth === null || $nearer === null) {
            return [TimberFindings::notMeasured($c, $where)];
        }
        $edge = $nearer - $c->holeMm / 2;

        return $c->obstacle->kind === ObstacleKind::EngineeredJoist
            ? self::engineered($c, $where, $edge, $rulebook)
            : [...self::sawn($c, $where, $edge, $rulebook), ...self::along($c, $where, $rulebook)];
    }

    /** @return list<Finding> on an engineered joist, with so much left beside the hole */
    private static function engineered(Crossing $c, Where $where, float $edgeMm, Rulebook $rulebook): array
    {
        $flange = $rulebook->limit('joist.flange-least');
        if ($flange?->value !== null && Tolerance::isUnder($edgeMm, $flange->value, Tolerance::CONVERTED_MM)) {
            return [TimberFindings::flange($c, $where, $edgeMm, $flange)];
        }
        [$allowed, $names] = [$c->obstacle->allowedMm, TimberFindings::names($c)];
        if ($allowed === null) {
            return [new Finding(RuleId::JoistMakerTable, Severity::Unknown, $where, $c->holeMm, null, $names)];
        }
        $names += ['most_mm' => $allowed];

        return ! Tolerance::isOver($c->holeMm, $allowed, Tolerance::CONVERTED_MM)
            ? []
            : [new Finding(RuleId::JoistMakerHole, Severity::Stop, $where, $c->holeMm, $allowed, $names)];
    }

    /** @return list<Finding> on a sawn joist, with so much left beside the hole */
    private static function sawn(Crossing $c, Where $where, float $edgeMm, Rulebook $rulebook): array
    {
        $names = TimberFindings::names($c);
        [$most, $least] = [$rulebook->limit('joist.hole-most'), $rulebook->limit('joist.edge-least')];
        $findings = [];
        $mostMm = $most?->value === null ? INF : $most->value * ($c->obstacle->depthMm ?? 0.0);
        if (Tolerance::isOver($c->holeMm, $mostMm, Tolerance::CONVERTED_MM)) {
            $findings[] = new Finding(
                RuleId::JoistHole,
                Severity::Stop,
                $where,
                $c->holeMm,
                $mostMm,
                $names + ['most_mm' => $mostMm],
                $most?->provenance,
            );
        }
        if ($least?->value !== null && Tolerance::isUnder($edgeMm, $least->value, Tolerance::CONVERTED_MM)) {
            $findings[] = new Finding(
                RuleId::JoistEdge,
                Severity::Stop,
                $where,
                $edgeMm,
                $least->value,
                $names + ['edge_mm' => max(0.0, $edgeMm), 'least_mm' => $least->value],
                $least->provenance,
            );
        }

        return $findings;
    }

    /** @return list<Finding> */
    private static function along(Crossing $c, Where $where, Rulebook $rulebook): array
    {
        [$from, $to, $span, $at] = [
            $rulebook->limit('joist.hole-from'),
            $rulebook->limit('joist.hole-to'),
            $c->obstacle->spanMm,
            $c->obstacle->bearingMm,
        ];
        if ($from?->value === null || $to?->value === null) {
            return [];
        }
        if ($span === null || $at === null) {
            return [TimberFindings::notMeasuredAlong($c, $where, $from->provenance)];
        }

        return Tolerance::isUnder($at, $from->value * $span, Tolerance::TAPE_MM) ||
            Tolerance::isOver($at, $to->value * $span, Tolerance::TAPE_MM)
            ? [
                new Finding(
                    RuleId::JoistHoleAlong,
                    Severity::Stop,
                    $where,
                    $at,
                    $from->value * $span,
                    TimberFindings::names($c) + [
                        'at_mm' => $at,
                        'from_mm' => $from->value * $span,
                        'to_mm' => $to->value * $span,
                    ],
                    $from->provenance,
                ),
            ]
            : [];
    }
}
