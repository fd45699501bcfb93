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
 * A standpipe stands high enough over its trap not to overflow, low enough not to siphon, and its trap at the right
 * height.
 */
final readonly class StandpipeRule implements NetworkRule
{
    public function judge(Network $network, Rulebook $rulebook): array
    {
        $findings = [];
        foreach ($network->heads as $head) {
            if ($head->fixture->kind !== 'clothes-washer') {
                continue;
            }
            $where = $network->whereNode($head->node);
            if ($head->fixture->standpipeMm === null && $rulebook->limit('standpipe.least') !== null) {
                $findings[] = new Finding(
                    RuleId::StandpipeMeasure,
                    Severity::Unknown,
                    $where,
                    params: ['fixture' => $head->name],
                );
            }
            $top =
                $head->fixture->standpipeMm === null || $head->fixture->trapAboveFloorMm === null
                    ? null
                    : $head->fixture->standpipeMm + $head->fixture->trapAboveFloorMm;
            $measures = [
                [RuleId::StandpipeHeight, '', $head->fixture->standpipeMm],
                [RuleId::StandpipeTrap, 'trap-', $head->fixture->trapAboveFloorMm],
                [RuleId::StandpipeTop, 'top-', $top],
            ];
            foreach ($measures as [$rule, $prefix, $measured]) {
                $least = $rulebook->limit("standpipe.{$prefix}least");
                $most = $rulebook->limit("standpipe.{$prefix}most");
                $off = match (true) {
                    $measured === null => null,
                    $least?->value !== null && $measured < $least->value - Tolerance::TAPE_MM => $least,
                    $most?->value !== null && $measured > $most->value + Tolerance::TAPE_MM => $most,
                    default => null,
                };
                if ($off !== null) {
                    $findings[] = new Finding(
                        $rule,
                        Severity::Stop,
                        $where,
                        $measured,
                        $off->value,
                        [
                            'measured_mm' => $measured,
                            'limit_mm' => $off->value ?? 0.0,
                            'fixture' => $head->name,
                            'off' => $off === $least ? 'low' : 'high',
                        ],
                        $off->provenance,
                    );
                }
            }
        }

        return $findings;
    }
}
