<?php

declare(strict_types=1);

namespace FallBend\Core\Rules\Network;

use FallBend\Core\Catalog\Rulebook;
use FallBend\Core\Job\RunEndKind;
use FallBend\Core\Measure\Tolerance;
use FallBend\Core\Network\Network;
use FallBend\Core\Verdict\Finding;
use FallBend\Core\Verdict\RuleId;
use FallBend\Core\Verdict\Severity;

/** A capped end is short, and gas-tight. */
final readonly class DeadEndRule implements NetworkRule
{
    public const ID = RuleId::EndDead;

    public function judge(Network $network, Rulebook $rulebook): array
    {
        $most = $rulebook->limit('dead-end.most');
        $findings = [];
        foreach ($network->nodes as $node) {
            $drain =
                $node->end?->kind === RunEndKind::Cap && $network->in($node) === [] ? $network->drain($node) : null;
            if ($drain === null) {
                continue;
            }
            $where = $network->whereNode($node);
            $isLong =
                $most?->value !== null && Tolerance::isOver($drain->lengthMm(), $most->value, Tolerance::TAPE_MM);
            if ($isLong && ! $drain->isCalledVent()) {
                $findings[] = new Finding(
                    self::ID,
                    Severity::Warn,
                    $where,
                    $drain->lengthMm(),
                    $most->value,
                    ['length_mm' => $drain->lengthMm(), 'most_mm' => $most->value],
                    $most->provenance,
                );
            }
            $findings[] = new Finding(
                RuleId::EndCapped,
                Severity::Note,
                $where,
                params: ['what' => $node->end->what],
                source: $most?->provenance,
            );
        }

        return $findings;
    }
}
