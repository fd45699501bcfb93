<?php

declare(strict_types=1);

namespace FallBend\Core\Rules\Network;

use FallBend\Core\Catalog\Rulebook;
use FallBend\Core\Job\TrapKind;
use FallBend\Core\Network\Network;
use FallBend\Core\Verdict\Finding;
use FallBend\Core\Verdict\RuleId;
use FallBend\Core\Verdict\Severity;
use FallBend\Core\Verdict\Where;

/** Every fixture has a trap, of a kind that the rulebook takes. */
final readonly class TrapKindRule implements NetworkRule
{
    public const ID = RuleId::TrapKind;

    public function judge(Network $network, Rulebook $rulebook): array
    {
        $findings = [];
        foreach ($network->heads as $head) {
            $kind = $head->fixture->trap;
            if ($kind === TrapKind::None) {
                $findings[] = new Finding(
                    RuleId::TrapMissing,
                    Severity::Stop,
                    $network->whereNode($head->node),
                    params: ['fixture' => $head->name],
                    source: $rulebook->source('trap.one-only'),
                );

                continue;
            }
            foreach (self::verdict($kind, $head->name, $rulebook, new Where) as $finding) {
                $findings[] = $finding->at($network->whereNode($head->node));
            }
        }

        return $findings;
    }

    /**
     * The verdict on one trap, wherever it is asked for.
     *
     * @param string $fixture what it is called
     * @return list<Finding>
     */
    public static function verdict(TrapKind $kind, string $fixture, Rulebook $rulebook, Where $where): array
    {
        return $rulebook->allows("trap.kind.{$kind->value}")
            ? []
            : [
                new Finding(
                    self::ID,
                    Severity::Stop,
                    $where,
                    params: ['fixture' => $fixture, 'kind' => $kind->value, 'book' => $rulebook->name],
                    source: $rulebook->source("trap.kind.{$kind->value}"),
                ),
            ];
    }
}
