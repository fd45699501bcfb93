<?php

declare(strict_types=1);

namespace FallBend\Core\Rules\Network;

use FallBend\Core\Catalog\FixtureKind;
use FallBend\Core\Catalog\Rulebook;
use FallBend\Core\Catalog\Threshold;
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
            if ($head->fixture->kind !== FixtureKind::ClothesWasher) {
                continue;
            }
            $where = $network->whereNode($head->node);
            [$height, $trap] = [$head->fixture->standpipeMm, $head->fixture->trapAboveFloorMm];
            if ($height === null && $rulebook->limit('standpipe.least') !== null) {
                $params = ['fixture' => $head->name];
                $findings[] = new Finding(RuleId::StandpipeMeasure, Severity::Unknown, $where, params: $params);
            }
            $measures = [
                [RuleId::StandpipeHeight, '', $height],
                [RuleId::StandpipeTrap, 'trap-', $trap],
                [RuleId::StandpipeTop, 'top-', $height === null || $trap === null ? null : $height + $trap],
            ];
            foreach ($measures as [$rule, $prefix, $measured]) {
                $off = $measured === null ? null : self::off($prefix, $measured, $rulebook);
                if ($measured !== null && $off !== null) {
                    $limit = $off->value ?? 0.0;
                    $findings[] = new Finding($rule, Severity::Stop, $where, $measured, $limit, [
                        'measured_mm' => $measured,
                        'limit_mm' => $limit,
                        'fixture' => $head->name,
                        'off' => $measured < $limit ? 'low' : 'high',
                    ], $off->provenance);
                }
            }
        }

        return $findings;
    }

    /** Gives the limit that a measure passes, if any. */
    private static function off(string $prefix, float $measured, Rulebook $rulebook): ?Threshold
    {
        [$least, $most] = [$rulebook->limit("standpipe.{$prefix}least"), $rulebook->limit("standpipe.{$prefix}most")];

        return match (true) {
            $least?->value !== null && Tolerance::isUnder($measured, $least->value, Tolerance::TAPE_MM) => $least,
            $most?->value !== null && Tolerance::isOver($measured, $most->value, Tolerance::TAPE_MM) => $most,
            default => null,
        };
    }
}
