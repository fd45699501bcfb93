<?php

declare(strict_types=1);

namespace FallBend\Core\Rules\Network;

use FallBend\Core\Catalog\Rulebook;
use FallBend\Core\Network\Network;
use FallBend\Core\Verdict\Finding;
use FallBend\Core\Verdict\RuleId;
use FallBend\Core\Verdict\Severity;

/** What is discharged is no hotter than the pipe takes. */
final readonly class HotRule implements NetworkRule
{
    public const ID = RuleId::HotDischarge;

    public function judge(Network $network, Rulebook $rulebook): array
    {
        $most = $rulebook->limit('hot.most');
        $findings = [];
        if ($most?->value === null) {
            return [];
        }
        foreach ($network->heads as $head) {
            if ($head->fixture->hotC !== null && $head->fixture->hotC > $most->value) {
                $findings[] = new Finding(
                    self::ID,
                    Severity::Stop,
                    $network->whereNode($head->node),
                    $head->fixture->hotC,
                    $most->value,
                    ['hot_c' => $head->fixture->hotC, 'most_c' => $most->value, 'fixture' => $head->name],
                    $most->provenance,
                );
            }
        }

        return $findings;
    }
}
