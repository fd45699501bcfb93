<?php

declare(strict_types=1);

namespace FallBend\Core\Rules\Network;

use FallBend\Core\Catalog\Rulebook;
use FallBend\Core\Layout\JunctionTrouble;
use FallBend\Core\Network\Network;
use FallBend\Core\Verdict\Finding;
use FallBend\Core\Verdict\RuleId;
use FallBend\Core\Verdict\Severity;

/**
 * Where two runs meet a branch fitting can stand: it enters with the flow, at an angle that is made, no larger than
 * what it enters.
 */
final readonly class BranchImpossibleRule implements NetworkRule
{
    public function judge(Network $network, Rulebook $rulebook): array
    {
        $findings = [];
        foreach ($network->nodes as $node) {
            $trouble = $node->junction?->trouble;
            if ($node->junction === null || $trouble === null) {
                continue;
            }
            $tap = $node->junction->taps[0];
            $findings[] = new Finding(
                self::rule($trouble),
                Severity::Stop,
                $network->whereNode($node),
                $node->junction->angleDeg,
                null,
                [
                    'angle_deg' => $node->junction->angleDeg,
                    'branch' => $network->layout->runs[$tap->run]->run->name,
                    'size' => $tap->size,
                    'into' => $network->layout->runs[$node->run]->leg($node->junction->leg)->line->size ?? '',
                    'turn' => $node->junction->isTurn() ? 'yes' : 'no',
                ],
            );
        }

        return $findings;
    }

    private static function rule(JunctionTrouble $trouble): RuleId
    {
        return match ($trouble) {
            JunctionTrouble::AgainstFlow => RuleId::BranchAgainstFlow,
            JunctionTrouble::NoAngle => RuleId::BranchNoAngle,
            JunctionTrouble::Larger => RuleId::BranchLarger,
            JunctionTrouble::NotOpposite => RuleId::BranchNotOpposite,
            JunctionTrouble::OffLeg => RuleId::BranchOffLeg,
            JunctionTrouble::NoSuchFitting => RuleId::BranchNoSuchFitting,
        };
    }
}
