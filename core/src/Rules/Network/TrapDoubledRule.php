<?php

declare(strict_types=1);

namespace FallBend\Core\Rules\Network;

use FallBend\Core\Catalog\FixtureTable;
use FallBend\Core\Catalog\Rulebook;
use FallBend\Core\Network\Head;
use FallBend\Core\Network\Network;
use FallBend\Core\Verdict\Finding;
use FallBend\Core\Verdict\RuleId;
use FallBend\Core\Verdict\Severity;

/** A fixture has one trap: between two the air is shut in, and the water will not pass. */
final readonly class TrapDoubledRule implements NetworkRule
{
    public const ID = RuleId::TrapDoubled;

    public function judge(Network $network, Rulebook $rulebook): array
    {
        $findings = [];
        foreach ($network->heads as $head) {
            if (
                in_array($head->fixture->kind, FixtureTable::INTEGRAL, true) &&
                ! in_array($head->fixture->trap, ['integral', 'none'], true)
            ) {
                $findings[] = new Finding(
                    self::ID,
                    Severity::Stop,
                    $network->whereNode($head->node),
                    2,
                    1,
                    ['fixture' => $head->name, 'second' => 'one below it'],
                    $rulebook->source('trap.one-only'),
                );
            }
        }
        foreach ($network->segments as $segment) {
            foreach ($network->obstacles[$segment->run()] ?? [] as $obstacle) {
                $leg = $obstacle->kind === 'trap' ? $segment->layout->leg($obstacle->leg) : null;
                $tape = $leg === null ? -1.0 : $leg->tapeMm + $obstacle->atMm;
                $trapped = array_values(
                    array_filter($segment->heads, static fn (Head $head): bool => $head->fixture->trap !== 'none'),
                );
                if ($tape >= $segment->fromMm && $tape < $segment->toMm && $trapped !== []) {
                    $findings[] = new Finding(
                        self::ID,
                        Severity::Stop,
                        $network->where($segment->run(), $tape),
                        2,
                        1,
                        [
                            'fixture' => $trapped[0]->name,
                            'second' => $obstacle->what === '' ? 'one in the line' : $obstacle->what,
                        ],
                        $rulebook->source('trap.one-only'),
                    );
                }
            }
        }

        return $findings;
    }
}
