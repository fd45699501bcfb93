<?php

declare(strict_types=1);

namespace FallBend\Core\Rules\Network;

use FallBend\Core\Catalog\FixtureKind;
use FallBend\Core\Catalog\Rulebook;
use FallBend\Core\Measure\Tolerance;
use FallBend\Core\Network\Network;
use FallBend\Core\Verdict\Finding;
use FallBend\Core\Verdict\RuleId;
use FallBend\Core\Verdict\Severity;

/** From the outlet of a fixture to its trap it is neither too far down nor too far across. */
final readonly class TailpieceRule implements NetworkRule
{
    public function judge(Network $network, Rulebook $rulebook): array
    {
        $findings = [];
        foreach ($network->heads as $head) {
            if ($head->fixture->kind === FixtureKind::ClothesWasher) {
                continue;
            }
            foreach (
                [
                    [RuleId::TailpieceDrop, 'drop', $head->fixture->dropMm],
                    [RuleId::TailpieceAcross, 'across', $head->fixture->acrossMm],
                ] as [$rule, $way, $measured]
            ) {
                $most = $rulebook->limit("tailpiece.{$way}-most");
                if (
                    $measured !== null &&
                    $most?->value !== null &&
                    Tolerance::isOver($measured, $most->value, Tolerance::TAPE_MM)
                ) {
                    $findings[] = new Finding(
                        $rule,
                        Severity::Stop,
                        $network->whereNode($head->node),
                        $measured,
                        $most->value,
                        ['measured_mm' => $measured, 'most_mm' => $most->value, 'fixture' => $head->name],
                        $most->provenance,
                    );
                }
            }
        }

        return $findings;
    }
}
