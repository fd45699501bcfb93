<?php

declare(strict_types=1);

namespace FallBend\Core\Rules\Network;

use FallBend\Core\Catalog\Rulebook;
use FallBend\Core\Network\Network;
use FallBend\Core\Verdict\Finding;
use FallBend\Core\Verdict\Severity;

/** Pipe that waste from other fixtures runs down vents a trap only where the rulebook takes it: as a wet vent of a bathroom, as a common vent, or as a discharge stack. */
final readonly class VentByStackRule implements NetworkRule
{
    public const ID = 'vent.byStack';

    public function judge(Network $network, Rulebook $rulebook): array
    {
        $findings = [];
        foreach ($rulebook->value('vent.by-stack') >= 1 ? [] : $network->heads as $head) {
            $arm = $head->arm;
            if ($arm === null || $arm->vent === null || ! $arm->isWetVented() || WetVents::isCommonVent($arm, $rulebook) || WetVents::isBathroomVent($arm, $rulebook)) {
                continue;
            }
            $others = $arm->by->heads ?? [];
            $findings[] = new Finding(self::ID, Severity::Stop, $network->where($head->node->run, $head->node->drain()->toMm ?? 0.0), params: ['fixture' => $head->name, 'other' => $others[0]->name ?? 'something else', 'more' => max(0, count($others) - 1)], source: $rulebook->source('vent.by-stack'));
        }

        return $findings;
    }
}
