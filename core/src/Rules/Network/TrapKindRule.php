<?php

declare(strict_types=1);

namespace FallBend\Core\Rules\Network;

use FallBend\Core\Catalog\Rulebook;
use FallBend\Core\Network\Network;
use FallBend\Core\Verdict\Finding;
use FallBend\Core\Verdict\Severity;

/** Every fixture has a trap, of a kind that the rulebook takes. */
final readonly class TrapKindRule implements NetworkRule
{
    public const ID = 'trap.kind';

    public function judge(Network $network, Rulebook $rulebook): array
    {
        $findings = [];
        foreach ($network->heads as $head) {
            $kind = $head->fixture->trap;
            if ($kind === 'none') {
                $findings[] = new Finding('trap.missing', Severity::Stop, $network->whereNode($head->node), params: ['fixture' => $head->name], source: $rulebook->source('trap.one-only'));
            } elseif ($rulebook->value("trap.kind.{$kind}") < 1) {
                $findings[] = new Finding(self::ID, Severity::Stop, $network->whereNode($head->node), params: ['fixture' => $head->name, 'kind' => $kind, 'book' => $rulebook->name], source: $rulebook->source("trap.kind.{$kind}"));
            }
        }

        return $findings;
    }
}
