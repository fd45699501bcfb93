<?php

declare(strict_types=1);

namespace FallBend\Core\Rules\Network;

use FallBend\Core\Catalog\Rulebook;
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
            if (
                in_array($crossing->obstacle->kind, ['joist', 'joist-engineered', 'truss'], true) &&
                $crossing->obstacle->cut === 'hole'
            ) {
                array_push($findings, ...self::judgeHole($crossing, $network, $rulebook));
            }
        }

        return $findings;
    }

    /** @return list<Finding> */
    private static function judgeHole(Crossing $c, Network $network, Rulebook $rulebook): array
    {
        $where = $network->where($c->obstacle->run, $c->tapeMm);
        $names = TimberFindings::names($c);
        [$depth, $nearer] = [$c->obstacle->depthMm, $c->nearerEdgeMm()];
        if ($c->obstacle->kind === 'truss') {
            return [TimberFindings::truss($c, $where)];
        }
        if ($depth === null || $nearer === null) {
            return [TimberFindings::notMeasured($c, $where)];
        }
        $edge = $nearer - $c->holeMm / 2;
        if ($c->obstacle->kind === 'joist-engineered') {
            $flange = $rulebook->limit('joist.flange-least');

            return match (true) {
                $flange?->value !== null && $edge < $flange->value => [
                    TimberFindings::flange($c, $where, $edge, $flange->value, $flange->provenance),
                ],
                $c->obstacle->allowedMm === null => [
                    new Finding(RuleId::JoistMakerTable, Severity::Unknown, $where, $c->holeMm, null, $names),
                ],
                $c->holeMm > $c->obstacle->allowedMm => [
                    new Finding(
                        RuleId::JoistMakerHole,
                        Severity::Stop,
                        $where,
                        $c->holeMm,
                        $c->obstacle->allowedMm,
                        $names + ['most_mm' => $c->obstacle->allowedMm],
                    ),
                ],
                default => [],
            };
        }
        [$most, $least] = [$rulebook->limit('joist.hole-most'), $rulebook->limit('joist.edge-least')];
        $findings = [];
        if ($most?->value !== null && $c->holeMm > $most->value * $depth + Tolerance::CONVERTED_MM) {
            $findings[] = new Finding(
                RuleId::JoistHole,
                Severity::Stop,
                $where,
                $c->holeMm,
                $most->value * $depth,
                $names + ['most_mm' => $most->value * $depth],
                $most->provenance,
            );
        }
        if ($least?->value !== null && $edge < $least->value - Tolerance::CONVERTED_MM) {
            $findings[] = new Finding(
                RuleId::JoistEdge,
                Severity::Stop,
                $where,
                $edge,
                $least->value,
                $names + ['edge_mm' => max(0.0, $edge), 'least_mm' => $least->value],
                $least->provenance,
            );
        }

        return [...$findings, ...self::along($c, $where, $names, $rulebook)];
    }

    /**
     * @param array<string, float|string> $names
     * @return list<Finding>
     */
    private static function along(Crossing $c, Where $where, array $names, Rulebook $rulebook): array
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

        return $at < $from->value * $span - Tolerance::TAPE_MM || $at > $to->value * $span + Tolerance::TAPE_MM
            ? [
                new Finding(
                    RuleId::JoistHoleAlong,
                    Severity::Stop,
                    $where,
                    $at,
                    $from->value * $span,
                    $names + ['at_mm' => $at, 'from_mm' => $from->value * $span, 'to_mm' => $to->value * $span],
                    $from->provenance,
                ),
            ]
            : [];
    }
}
