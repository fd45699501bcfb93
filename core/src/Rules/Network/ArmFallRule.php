<?php

declare(strict_types=1);

namespace FallBend\Core\Rules\Network;

use FallBend\Core\Catalog\Nominal;
use FallBend\Core\Catalog\Rulebook;
use FallBend\Core\Network\Network;
use FallBend\Core\Verdict\Finding;
use FallBend\Core\Verdict\Severity;

/** A trap arm falls no more than its own diameter before its vent: further down the vent opening lies below the weir, and the water in the trap is siphoned off, as in an S trap. */
final readonly class ArmFallRule implements NetworkRule
{
    public const ID = 'arm.fall';

    public function judge(Network $network, Rulebook $rulebook): array
    {
        $limit = $rulebook->limit('trap-arm.fall-most');
        $findings = [];
        if ($limit?->value === null) {
            return [];
        }
        foreach ($network->heads as $head) {
            $arm = $network->arm($head);
            if ($arm === null || $head->isCloset() || $arm->size() === '' || ($arm->vent === null && $arm->uprightMm <= 0.0)) {
                continue;
            }
            $most = $limit->value * Nominal::mm($arm->size());
            if ($arm->dropMm > $most + 0.5) {
                $findings[] = new Finding($arm->uprightMm > 0 ? 'arm.sShape' : self::ID, Severity::Stop, $network->where($head->node->run, $network->drain($head->node)->toMm ?? 0.0), $arm->dropMm, $most,
                    ['drop_mm' => $arm->dropMm, 'most_mm' => $most, 'fixture' => $head->name, 'size' => $arm->size()], $limit->provenance);
            }
        }

        return $findings;
    }
}
