<?php

declare(strict_types=1);

namespace FallBend\Core\Rules\Network;

use FallBend\Core\Catalog\Nominal;
use FallBend\Core\Catalog\Rulebook;
use FallBend\Core\Network\Network;
use FallBend\Core\Verdict\Finding;
use FallBend\Core\Verdict\Severity;

/** No vent opens within two diameters of the weir: it would foul, and be no vent. */
final readonly class ArmShortRule implements NetworkRule
{
    public const ID = 'arm.short';

    public function judge(Network $network, Rulebook $rulebook): array
    {
        $limit = $rulebook->limit('trap-arm.least');
        $findings = [];
        if ($limit?->value === null) {
            return [];
        }
        foreach ($network->heads as $head) {
            $arm = $network->arm($head);
            if ($arm === null || $arm->vent === null || $head->isCloset() || $arm->size() === '') {
                continue;
            }
            $least = $limit->value * Nominal::mm($arm->size());
            if ($arm->lengthMm < $least - 0.5) {
                $findings[] = new Finding(self::ID, Severity::Stop, $network->whereNode($head->node), $arm->lengthMm, $least, ['length_mm' => $arm->lengthMm, 'least_mm' => $least, 'fixture' => $head->name, 'size' => $arm->size()], $limit->provenance);
            }
        }

        return $findings;
    }
}
