<?php

declare(strict_types=1);

namespace FallBend\Core\Rules\Network;

use FallBend\Core\Catalog\Rulebook;
use FallBend\Core\Job\TrapKind;
use FallBend\Core\Network\Network;
use FallBend\Core\Verdict\Finding;
use FallBend\Core\Verdict\RuleId;
use FallBend\Core\Verdict\Severity;

/** Air meets the water behind every trap. */
final readonly class VentMissingRule implements NetworkRule
{
    public const ID = RuleId::VentMissing;

    public function judge(Network $network, Rulebook $rulebook): array
    {
        $findings = [];
        foreach ($network->heads as $head) {
            $arm = $network->arm($head);
            if ($arm !== null && $arm->vent === null && $head->fixture->trap !== TrapKind::None) {
                $findings[] = new Finding(
                    self::ID,
                    Severity::Stop,
                    $network->whereNode($head->node),
                    params: ['fixture' => $head->name, 'length_mm' => $arm->lengthMm],
                    source: $rulebook->source('vent.by-stack'),
                );
            }
        }

        return $findings;
    }
}
