<?php

declare(strict_types=1);

namespace FallBend\Core\Rules\Network;

use FallBend\Core\Catalog\Rulebook;
use FallBend\Core\Measure\Tolerance;
use FallBend\Core\Network\Network;
use FallBend\Core\Venting\CombinationDrain;
use FallBend\Core\Verdict\Finding;
use FallBend\Core\Verdict\RuleId;
use FallBend\Core\Verdict\Severity;
use FallBend\Core\Verdict\Where;

/**
 * A trap arm falls no more than its own diameter before its vent: further down the vent opening lies below the weir,
 * and the water in the trap is siphoned off, as in an S trap.
 */
final readonly class ArmFallRule implements NetworkRule
{
    public const ID = RuleId::ArmFall;

    public function judge(Network $network, Rulebook $rulebook): array
    {
        $findings = [];
        foreach ($network->heads as $head) {
            $arm = $network->arm($head);
            if ($arm === null || $arm->size() === '' || ($arm->vent === null && $arm->uprightMm <= 0.0)) {
                continue;
            }
            $finding = self::verdict(MeasuredArm::of($arm), $rulebook, new Where);
            $tried = $finding === null ? null : (new CombinationDrain($network, $rulebook))->tried($arm);
            // To a drain that is its own vent a fixture may drop; whether it is one may be asked elsewhere.
            if ($finding !== null && $tried?->carries() !== true && $tried?->isOpen() !== true) {
                $end = $network->drain($head->node)->toMm ?? 0.0;
                $findings[] = $finding->at($network->where($head->node->run, $end));
            }
        }

        return $findings;
    }

    /** The verdict on one arm, wherever it is asked for. */
    public static function verdict(MeasuredArm $arm, Rulebook $rulebook, Where $where): ?Finding
    {
        $limit = $arm->fallMost($rulebook);
        $most = $arm->diametersMm($limit);

        return $most === null || ! Tolerance::isOver($arm->dropMm, $most, Tolerance::TAPE_MM)
            ? null
            : new Finding(
                $arm->uprightMm > 0 ? RuleId::ArmSShape : self::ID,
                Severity::Stop,
                $where,
                $arm->dropMm,
                $most,
                ['drop_mm' => $arm->dropMm, 'most_mm' => $most, 'fixture' => $arm->fixture, 'size' => $arm->size],
                $limit?->provenance,
            );
    }
}
