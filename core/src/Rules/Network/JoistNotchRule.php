<?php

declare(strict_types=1);

namespace FallBend\Core\Rules\Network;

use FallBend\Core\Catalog\Rulebook;
use FallBend\Core\Measure\Tolerance;
use FallBend\Core\Network\Network;
use FallBend\Core\Verdict\Finding;
use FallBend\Core\Verdict\RuleId;
use FallBend\Core\Verdict\Severity;

/**
 * A notch in a sawn joist is shallow and not in the middle of its span; nothing is notched from an engineered joist or
 * a truss.
 */
final readonly class JoistNotchRule implements NetworkRule
{
    public function judge(Network $network, Rulebook $rulebook): array
    {
        $findings = [];
        [$most, $from] = [$rulebook->limit('joist.notch-most'), $rulebook->limit('joist.notch-from')];
        foreach ($network->crossings as $c) {
            if (
                ! in_array($c->obstacle->kind, ['joist', 'joist-engineered', 'truss'], true) ||
                $c->obstacle->cut !== 'notch'
            ) {
                continue;
            }
            $where = $network->where($c->obstacle->run, $c->tapeMm);
            [$depth, $notch] = [$c->obstacle->depthMm, $c->notchMm()];
            $names = TimberFindings::names($c);
            if ($c->obstacle->kind !== 'joist') {
                $findings[] =
                    $c->obstacle->kind === 'truss'
                        ? TimberFindings::truss($c, $where)
                        : TimberFindings::flange($c, $where);
            } elseif ($depth === null || $notch === null) {
                $findings[] = TimberFindings::notMeasured($c, $where);
            } elseif ($most?->value !== null && $notch > $most->value * $depth + Tolerance::CONVERTED_MM) {
                $findings[] = new Finding(
                    RuleId::JoistNotch,
                    Severity::Stop,
                    $where,
                    $notch,
                    $most->value * $depth,
                    $names + ['notch_mm' => $notch, 'most_mm' => $most->value * $depth],
                    $most->provenance,
                );
            } elseif ($from?->value === null) {
                continue;
            } elseif ($c->obstacle->spanMm === null || $c->obstacle->bearingMm === null) {
                $findings[] = TimberFindings::notMeasuredAlong($c, $where, $from->provenance);
            } elseif ($c->obstacle->bearingMm > $from->value * $c->obstacle->spanMm + Tolerance::TAPE_MM) {
                $findings[] = new Finding(
                    RuleId::JoistNotchMiddle,
                    Severity::Stop,
                    $where,
                    $c->obstacle->bearingMm,
                    $from->value * $c->obstacle->spanMm,
                    $names + ['at_mm' => $c->obstacle->bearingMm, 'from_mm' => $from->value * $c->obstacle->spanMm],
                    $from->provenance,
                );
            }
        }

        return $findings;
    }
}
