<?php

declare(strict_types=1);

namespace FallBend\Core\Rules\Network;

use FallBend\Core\Catalog\Rulebook;
use FallBend\Core\Measure\Tolerance;
use FallBend\Core\Network\Network;
use FallBend\Core\Verdict\Finding;
use FallBend\Core\Verdict\RuleId;
use FallBend\Core\Verdict\Severity;

/** A hole in a stud leaves enough of it, more in a bearing wall; a plate that is cut through is strapped. */
final readonly class StudHoleRule implements NetworkRule
{
    public function judge(Network $network, Rulebook $rulebook): array
    {
        $findings = [];
        foreach ($network->crossings as $c) {
            [$kind, $depth] = [$c->obstacle->kind, $c->obstacle->depthMm];
            if ($kind !== 'stud' && $kind !== 'plate') {
                continue;
            }
            $where = $network->where($c->obstacle->run, $c->tapeMm);
            $names = TimberFindings::names($c);
            if ($depth === null) {
                $findings[] = TimberFindings::notMeasured($c, $where);

                continue;
            }
            $most = $rulebook->limit(
                $kind === 'plate'
                    ? 'plate.cut-most'
                    : ($c->obstacle->isBearing
                        ? 'stud.hole-bearing'
                        : 'stud.hole-other'),
            );
            if ($most?->value !== null && $c->holeMm > $most->value * $depth + Tolerance::CONVERTED_MM) {
                $findings[] = new Finding(
                    $kind === 'plate' ? RuleId::PlateCut : RuleId::StudHole,
                    $kind === 'plate' ? Severity::Warn : Severity::Stop,
                    $where,
                    $c->holeMm,
                    $most->value * $depth,
                    $names + [
                        'most_mm' => $most->value * $depth,
                        'wall' => $c->obstacle->isBearing ? 'bearing' : 'other',
                    ],
                    $most->provenance,
                );
            }
            $least = $kind === 'stud' ? $rulebook->limit('stud.edge-least') : null;
            $edge = ($c->nearerEdgeMm() ?? $depth / 2) - $c->holeMm / 2;
            if ($least?->value !== null && $edge < $least->value - Tolerance::CONVERTED_MM) {
                $findings[] = new Finding(
                    RuleId::StudEdge,
                    Severity::Stop,
                    $where,
                    $edge,
                    $least->value,
                    $names + ['edge_mm' => max(0.0, $edge), 'least_mm' => $least->value],
                    $least->provenance,
                );
            }
        }

        return $findings;
    }
}
