<?php

declare(strict_types=1);

namespace FallBend\Core\Rules\Network;

use FallBend\Core\Catalog\Rulebook;
use FallBend\Core\Measure\Tolerance;
use FallBend\Core\Network\Arm;
use FallBend\Core\Network\Network;
use FallBend\Core\Verdict\Finding;
use FallBend\Core\Verdict\RuleId;
use FallBend\Core\Verdict\Severity;

/** The ventilating pipe of a branch that needs one meets it near the trap (AD H H1 1.22). */
final readonly class VentFarRule implements NetworkRule
{
    public const ID = RuleId::VentFar;

    public function judge(Network $network, Rulebook $rulebook): array
    {
        $within = $rulebook->limit('ventilated-branch.within');
        $findings = [];
        if ($within?->value === null) {
            return [];
        }
        foreach ($network->heads as $head) {
            $arm = $network->arm($head);
            if (
                $arm !== null &&
                $arm->isVentedBefore() &&
                Tolerance::isOver($arm->lengthMm, $within->value, Tolerance::TAPE_MM) &&
                self::needsVent($arm, $network, $rulebook)
            ) {
                $findings[] = new Finding(
                    self::ID,
                    Severity::Stop,
                    $network->where($head->node->run, $arm->lengthMm),
                    $arm->lengthMm,
                    $within->value,
                    ['fixture' => $head->name, 'at_mm' => $arm->lengthMm, 'most_mm' => $within->value],
                    $within->provenance,
                );
            }
        }

        return $findings;
    }

    /** Whether the branch, as far as its stack, is longer than one without a vent may be. */
    private static function needsVent(Arm $arm, Network $network, Rulebook $rulebook): bool
    {
        $most = MeasuredArm::of($arm)->mostMm($rulebook);
        $length = $arm->lengthMm;
        $node = $arm->vent;
        for ($i = 0; $node !== null && $i < 10_000; $i++) {
            $next = $network->drain($node);
            $first = $next->stretches[0] ?? null;
            if ($next === null || $first === null || $first->isUpright()) {
                break;
            }
            $length += $next->lengthMm();
            $node = $next->down;
        }

        return $most === null || Tolerance::isOver($length, $most, Tolerance::TAPE_MM);
    }
}
