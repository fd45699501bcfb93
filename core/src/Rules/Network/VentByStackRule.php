<?php

declare(strict_types=1);

namespace FallBend\Core\Rules\Network;

use FallBend\Core\Catalog\Rulebook;
use FallBend\Core\Network\Network;
use FallBend\Core\Verdict\Finding;
use FallBend\Core\Verdict\RuleId;
use FallBend\Core\Verdict\Severity;

/**
 * Pipe that waste from other fixtures runs down vents a trap only where the rulebook takes it: as a wet vent of a
 * bathroom, as a common vent, or as a discharge stack.
 */
final readonly class VentByStackRule implements NetworkRule
{
    public const ID = RuleId::VentByStack;

    public function judge(Network $network, Rulebook $rulebook): array
    {
        $findings = [];
        $vents = new WetVents($network, $rulebook);
        foreach ($rulebook->allows('vent.by-stack') ? [] : $network->heads as $head) {
            $arm = $network->arm($head);
            if (
                $arm === null ||
                $arm->vent === null ||
                ! $arm->isWetVented() ||
                $vents->isCommonVent($arm) ||
                $vents->isBathroomVent($arm)
            ) {
                continue;
            }
            $others = $arm->by->heads ?? [];
            if ($others === []) {
                // Nobody said what comes down it: that is asked for, see `VentMissingRule`.
                continue;
            }
            $findings[] = new Finding(
                self::ID,
                Severity::Stop,
                $network->where($head->node->run, $network->drain($head->node)->toMm ?? 0.0),
                params: [
                    'fixture' => $head->name,
                    'other' => $others[0]->name,
                    'more' => count($others) - 1,
                ],
                source: $rulebook->source('vent.by-stack'),
            );
        }

        return $findings;
    }
}
