<?php

declare(strict_types=1);

namespace FallBend\Core\Rules\Network;

use FallBend\Core\Catalog\Rulebook;
use FallBend\Core\Network\Network;
use FallBend\Core\Verdict\Finding;
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
            $names = ['what' => $c->name(), 'hole_mm' => $c->holeMm];
            if ($depth === null) {
                $findings[] = new Finding('joist.measure', Severity::Unknown, $where, params: $names);

                continue;
            }
            $most = $rulebook->limit($kind === 'plate' ? 'plate.cut-most' : ($c->obstacle->isBearing ? 'stud.hole-bearing' : 'stud.hole-other'));
            if ($most?->value !== null && $c->holeMm > $most->value * $depth + 0.01) {
                $findings[] = new Finding($kind === 'plate' ? 'plate.cut' : 'stud.hole', $kind === 'plate' ? Severity::Warn : Severity::Stop, $where, $c->holeMm, $most->value * $depth, $names + ['most_mm' => $most->value * $depth, 'wall' => $c->obstacle->isBearing ? 'bearing' : 'other'], $most->provenance);
            }
            $least = $kind === 'stud' ? $rulebook->limit('stud.edge-least') : null;
            $edge = ($c->nearerEdgeMm() ?? $depth / 2) - $c->holeMm / 2;
            if ($least?->value !== null && $edge < $least->value - 0.01) {
                $findings[] = new Finding('stud.edge', Severity::Stop, $where, $edge, $least->value, $names + ['edge_mm' => max(0.0, $edge), 'least_mm' => $least->value], $least->provenance);
            }
        }

        return $findings;
    }
}
