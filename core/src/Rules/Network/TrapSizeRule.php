<?php

declare(strict_types=1);

namespace FallBend\Core\Rules\Network;

use FallBend\Core\Catalog\Nominal;
use FallBend\Core\Catalog\Rulebook;
use FallBend\Core\Measure\Tolerance;
use FallBend\Core\Network\LoadedFixture;
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
            $sizes = ['fixture' => $head->name, 'trap' => $head->fixture->trapSize ?? $drain, 'drain' => $drain];
            $ofHead = [...self::least($head, $sizes, $rulebook), ...self::larger($sizes, $rulebook, new Where)];
            foreach ($ofHead as $finding) {
                $findings[] = $finding->at($network->whereNode($head->node));
            }
        }

        return $findings;
    }

    /**
     * @param array{fixture: string, trap: string, drain: string} $sizes
     * @return list<Finding> on a trap or drain that is smaller than its fixture asks for
     */
    private static function least(LoadedFixture $head, array $sizes, Rulebook $rulebook): array
    {
        if ($head->load === null) {
            $params = ['fixture' => $head->name, 'book' => $rulebook->name];

            return [new Finding(RuleId::TrapFixtureNotKnown, Severity::Unknown, new Where, params: $params)];
        }
        $least = $head->load->trapSize;
        if ($least === null) {
            return [];
        }
        $is = min(Nominal::mm($sizes['trap']), Nominal::mm($sizes['drain']));
        $mm = Nominal::mm($least);
        $params = $sizes + ['least' => $least];

        return ! Tolerance::isUnder($is, $mm, Tolerance::NOMINAL_MM)
            ? []
            : [new Finding(self::ID, Severity::Stop, new Where, $is, $mm, $params, $head->load->provenance)];
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

        return ! Tolerance::isOver($trapMm, $drainMm, Tolerance::NOMINAL_MM)
            ? []
            : [new Finding(RuleId::TrapLarger, Severity::Stop, $where, $trapMm, $drainMm, $sizes, $source)];
    }
}
