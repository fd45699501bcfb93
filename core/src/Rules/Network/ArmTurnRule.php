<?php

declare(strict_types=1);

namespace FallBend\Core\Rules\Network;

use FallBend\Core\Catalog\Rulebook;
use FallBend\Core\Job\Obstacle;
use FallBend\Core\Job\ObstacleKind;
use FallBend\Core\Network\Network;
use FallBend\Core\Verdict\Finding;
use FallBend\Core\Verdict\RuleId;
use FallBend\Core\Verdict\Severity;

/** The turns of a trap arm add up to no more than the rulebook allows without a cleanout. */
final readonly class ArmTurnRule implements NetworkRule
{
    public const ID = RuleId::ArmTurns;

    public function judge(Network $network, Rulebook $rulebook): array
    {
        $slack = $network->catalogue->assumption('turn-slack')->value;
        $findings = [];
        foreach ($network->heads as $head) {
            $arm = $network->arm($head);
            $most = $arm === null || $head->isCloset() ? null : $rulebook->forSize('trap-arm.turn-most', $arm->size());
            $hasAccess =
                array_filter(
                    $network->obstacles[$head->node->run] ?? [],
                    static fn (Obstacle $o): bool => $o->kind === ObstacleKind::Cleanout,
                ) !== [];
            if (
                $arm !== null &&
                $arm->vent !== null &&
                $most?->value !== null &&
                ! $hasAccess &&
                $arm->turnDeg > $most->value + $slack
            ) {
                $findings[] = new Finding(
                    self::ID,
                    Severity::Stop,
                    $network->whereNode($head->node),
                    $arm->turnDeg,
                    $most->value,
                    ['turn_deg' => round($arm->turnDeg), 'most_deg' => $most->value, 'fixture' => $head->name],
                    $most->provenance,
                );
            }
        }

        return $findings;
    }
}
