<?php

declare(strict_types=1);

namespace FallBend\Core\Rules\Network;

use FallBend\Core\Catalog\Nominal;
use FallBend\Core\Catalog\Rulebook;
use FallBend\Core\Network\Network;
use FallBend\Core\Verdict\Finding;
use FallBend\Core\Verdict\Severity;

/** A trap, and the drain from it, is at least as large as its fixture asks for, and the trap no larger than its drain. */
final readonly class TrapSizeRule implements NetworkRule
{
    public const ID = 'trap.size';

    public function judge(Network $network, Rulebook $rulebook): array
    {
        $findings = [];
        foreach ($network->heads as $head) {
            // A run that has no leg yet is of its own size.
            $drain = $network->drain($head->node)?->firstLeg()->line->size ?? $network->layout->runs[$head->node->run]->run->size;
            $trap = $head->fixture->trapSize ?? $drain;
            $least = $head->load?->trapSize;
            if ($head->load === null) {
                $findings[] = new Finding('trap.fixtureNotKnown', Severity::Unknown, $network->whereNode($head->node), params: ['fixture' => $head->name, 'book' => $rulebook->name]);
            }
            if ($least !== null && min(Nominal::mm($trap), Nominal::mm($drain)) < Nominal::mm($least) - 0.5) {
                $findings[] = new Finding(self::ID, Severity::Stop, $network->whereNode($head->node), min(Nominal::mm($trap), Nominal::mm($drain)), Nominal::mm($least), ['fixture' => $head->name, 'least' => $least, 'trap' => $trap, 'drain' => $drain], $head->load->provenance);
            }
            if (Nominal::mm($trap) > Nominal::mm($drain) + 0.5) {
                $findings[] = new Finding('trap.larger', Severity::Stop, $network->whereNode($head->node), Nominal::mm($trap), Nominal::mm($drain), ['fixture' => $head->name, 'trap' => $trap, 'drain' => $drain], $rulebook->source('trap.one-only'));
            }
        }

        return $findings;
    }
}
