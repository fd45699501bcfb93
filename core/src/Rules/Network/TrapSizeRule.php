<?php

declare(strict_types=1);

namespace FallBend\Core\Rules\Network;

use FallBend\Core\Catalog\Nominal;
use FallBend\Core\Catalog\Rulebook;
use FallBend\Core\Measure\Tolerance;
use FallBend\Core\Network\Network;
use FallBend\Core\Verdict\Finding;
use FallBend\Core\Verdict\RuleId;
use FallBend\Core\Verdict\Severity;
use FallBend\Core\Verdict\Where;

/**
 * A trap, and the drain from it, is at least as large as its fixture asks for, and the trap no larger than its drain.
 */
final readonly class TrapSizeRule implements NetworkRule
{
    public const ID = RuleId::TrapSize;

    public function judge(Network $network, Rulebook $rulebook): array
    {
        $findings = [];
        foreach ($network->heads as $head) {
            // A run that has no leg yet is of its own size.
            $drain =
                $network->drain($head->node)?->firstLeg()->line->size ??
                $network->layout->runs[$head->node->run]->run->size;
            $trap = $head->fixture->trapSize ?? $drain;
            $least = $head->load?->trapSize;
            if ($head->load === null) {
                $findings[] = new Finding(
                    RuleId::TrapFixtureNotKnown,
                    Severity::Unknown,
                    $network->whereNode($head->node),
                    params: ['fixture' => $head->name, 'book' => $rulebook->name],
                );
            }
            if (
                $least !== null &&
                min(Nominal::mm($trap), Nominal::mm($drain)) < Nominal::mm($least) - Tolerance::NOMINAL_MM
            ) {
                $findings[] = new Finding(
                    self::ID,
                    Severity::Stop,
                    $network->whereNode($head->node),
                    min(Nominal::mm($trap), Nominal::mm($drain)),
                    Nominal::mm($least),
                    ['fixture' => $head->name, 'least' => $least, 'trap' => $trap, 'drain' => $drain],
                    $head->load->provenance,
                );
            }
            $sizes = ['fixture' => $head->name, 'trap' => $trap, 'drain' => $drain];
            foreach (self::larger($sizes, $rulebook, new Where) as $finding) {
                $findings[] = $finding->at($network->whereNode($head->node));
            }
        }

        return $findings;
    }

    /**
     * The verdict on a trap before a drain, wherever it is asked for: solids stop where it narrows.
     *
     * @param array{fixture: string, trap: string, drain: string} $sizes of both, with what the fixture is called
     * @return list<Finding>
     */
    public static function larger(array $sizes, Rulebook $rulebook, Where $where): array
    {
        [$trapMm, $drainMm] = [Nominal::mm($sizes['trap']), Nominal::mm($sizes['drain'])];
        $source = $rulebook->source('trap.one-only');

        return $trapMm <= $drainMm + Tolerance::NOMINAL_MM
            ? []
            : [new Finding(RuleId::TrapLarger, Severity::Stop, $where, $trapMm, $drainMm, $sizes, $source)];
    }
}
