<?php

declare(strict_types=1);

namespace FallBend\Core\Rules\Network;

use FallBend\Core\Catalog\Rulebook;
use FallBend\Core\Network\Network;
use FallBend\Core\Verdict\Finding;
use FallBend\Core\Verdict\Severity;

/** A notch in a sawn joist is shallow and not in the middle of its span; nothing is notched from an engineered joist or a truss. */
final readonly class JoistNotchRule implements NetworkRule
{
    public function judge(Network $network, Rulebook $rulebook): array
    {
        $findings = [];
        [$most, $from] = [$rulebook->limit('joist.notch-most'), $rulebook->limit('joist.notch-from')];
        foreach ($network->crossings as $c) {
            if (! in_array($c->obstacle->kind, ['joist', 'joist-engineered', 'truss'], true) || $c->obstacle->cut !== 'notch') {
                continue;
            }
            $where = $network->where($c->obstacle->run, $c->tapeMm);
            [$depth, $notch] = [$c->obstacle->depthMm, $c->notchMm()];
            $names = ['what' => $c->name(), 'hole_mm' => $c->holeMm];
            if ($c->obstacle->kind !== 'joist') {
                $findings[] = new Finding($c->obstacle->kind === 'truss' ? 'joist.truss' : 'joist.flange', Severity::Stop, $where, params: $names);
            } elseif ($depth === null || $notch === null) {
                $findings[] = new Finding('joist.measure', Severity::Unknown, $where, params: $names);
            } elseif ($most?->value !== null && $notch > $most->value * $depth + 0.01) {
                $findings[] = new Finding('joist.notch', Severity::Stop, $where, $notch, $most->value * $depth, $names + ['notch_mm' => $notch, 'most_mm' => $most->value * $depth], $most->provenance);
            } elseif ($from?->value === null) {
                continue;
            } elseif ($c->obstacle->spanMm === null || $c->obstacle->bearingMm === null) {
                $findings[] = new Finding('joist.measureAlong', Severity::Unknown, $where, params: $names, source: $from->provenance);
            } elseif ($c->obstacle->bearingMm > $from->value * $c->obstacle->spanMm + 0.5) {
                $findings[] = new Finding('joist.notchMiddle', Severity::Stop, $where, $c->obstacle->bearingMm, $from->value * $c->obstacle->spanMm, $names + ['at_mm' => $c->obstacle->bearingMm, 'from_mm' => $from->value * $c->obstacle->spanMm], $from->provenance);
            }
        }

        return $findings;
    }
}
