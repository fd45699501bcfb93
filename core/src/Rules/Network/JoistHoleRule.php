<?php

declare(strict_types=1);

namespace FallBend\Core\Rules\Network;

use FallBend\Core\Catalog\Rulebook;
use FallBend\Core\Network\Crossing;
use FallBend\Core\Network\Network;
use FallBend\Core\Verdict\Finding;
use FallBend\Core\Verdict\Severity;
use FallBend\Core\Verdict\Where;

/** A hole in a sawn joist is small, and away from its edges; nothing is cut from the flange of an engineered one, nor from a truss. */
final readonly class JoistHoleRule implements NetworkRule
{
    public function judge(Network $network, Rulebook $rulebook): array
    {
        $findings = [];
        foreach ($network->crossings as $crossing) {
            if (in_array($crossing->obstacle->kind, ['joist', 'joist-engineered', 'truss'], true) && $crossing->obstacle->cut === 'hole') {
                array_push($findings, ...self::judgeHole($crossing, $network, $rulebook));
            }
        }

        return $findings;
    }

    /** @return list<Finding> */
    private static function judgeHole(Crossing $c, Network $network, Rulebook $rulebook): array
    {
        $where = $network->where($c->obstacle->run, $c->tapeMm);
        $names = ['what' => $c->name(), 'hole_mm' => $c->holeMm];
        [$depth, $nearer] = [$c->obstacle->depthMm, $c->nearerEdgeMm()];
        if ($c->obstacle->kind === 'truss') {
            return [new Finding('joist.truss', Severity::Stop, $where, params: $names)];
        }
        if ($depth === null || $nearer === null) {
            return [new Finding('joist.measure', Severity::Unknown, $where, params: $names)];
        }
        $edge = $nearer - $c->holeMm / 2;
        if ($c->obstacle->kind === 'joist-engineered') {
            $flange = $rulebook->limit('joist.flange-least');

            return match (true) {
                $flange?->value !== null && $edge < $flange->value => [new Finding('joist.flange', Severity::Stop, $where, $edge, $flange->value, $names, $flange->provenance)],
                $c->obstacle->allowedMm === null => [new Finding('joist.makerTable', Severity::Unknown, $where, $c->holeMm, null, $names)],
                $c->holeMm > $c->obstacle->allowedMm => [new Finding('joist.makerHole', Severity::Stop, $where, $c->holeMm, $c->obstacle->allowedMm, $names + ['most_mm' => $c->obstacle->allowedMm])],
                default => [],
            };
        }
        [$most, $least] = [$rulebook->limit('joist.hole-most'), $rulebook->limit('joist.edge-least')];
        $findings = [];
        if ($most?->value !== null && $c->holeMm > $most->value * $depth + 0.01) {
            $findings[] = new Finding('joist.hole', Severity::Stop, $where, $c->holeMm, $most->value * $depth, $names + ['most_mm' => $most->value * $depth], $most->provenance);
        }
        if ($least?->value !== null && $edge < $least->value - 0.01) {
            $findings[] = new Finding('joist.edge', Severity::Stop, $where, $edge, $least->value, $names + ['edge_mm' => max(0.0, $edge), 'least_mm' => $least->value], $least->provenance);
        }

        return [...$findings, ...self::along($c, $where, $names, $rulebook)];
    }

    /**
     * @param array<string, float|string> $names
     * @return list<Finding>
     */
    private static function along(Crossing $c, Where $where, array $names, Rulebook $rulebook): array
    {
        [$from, $to, $span, $at] = [$rulebook->limit('joist.hole-from'), $rulebook->limit('joist.hole-to'), $c->obstacle->spanMm, $c->obstacle->bearingMm];
        if ($from?->value === null || $to?->value === null) {
            return [];
        }
        if ($span === null || $at === null) {
            return [new Finding('joist.measureAlong', Severity::Unknown, $where, params: $names, source: $from->provenance)];
        }

        return $at < $from->value * $span - 0.5 || $at > $to->value * $span + 0.5
            ? [new Finding('joist.holeAlong', Severity::Stop, $where, $at, $from->value * $span, $names + ['at_mm' => $at, 'from_mm' => $from->value * $span, 'to_mm' => $to->value * $span], $from->provenance)] : [];
    }
}
