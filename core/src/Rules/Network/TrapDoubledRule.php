<?php

declare(strict_types=1);

namespace FallBend\Core\Rules\Network;

use FallBend\Core\Catalog\Rulebook;
use FallBend\Core\Job\ObstacleKind;
use FallBend\Core\Job\TrapKind;
use FallBend\Core\Network\LoadedFixture;
use FallBend\Core\Network\Network;
use FallBend\Core\Network\Segment;
use FallBend\Core\Verdict\Finding;
use FallBend\Core\Verdict\RuleId;
use FallBend\Core\Verdict\Severity;
use FallBend\Core\Verdict\Where;

/** A fixture has one trap: between two the air is shut in, and the water will not pass. */
final readonly class TrapDoubledRule implements NetworkRule
{
    public const ID = RuleId::TrapDoubled;

    public function judge(Network $network, Rulebook $rulebook): array
    {
        $findings = [];
        foreach ($network->heads as $head) {
            $isIntegral = $head->fixture->kind->hasIntegralTrap();
            if ($isIntegral && ! in_array($head->fixture->trap, [TrapKind::Integral, TrapKind::None], true)) {
                $where = $network->whereNode($head->node);
                $findings[] = self::finding($head->name, 'one below it', $where, $rulebook);
            }
        }
        foreach ($network->segments as $segment) {
            $obstacles = $network->obstacles[$segment->run()] ?? [];
            $head = $obstacles === [] ? null : self::trapped($segment);
            if ($head === null) {
                continue;
            }
            foreach ($obstacles as $obstacle) {
                $leg = $obstacle->kind === ObstacleKind::Trap ? $segment->layout->leg($obstacle->leg) : null;
                $tape = $leg === null ? -1.0 : $leg->tapeMm + $obstacle->atMm;
                if ($tape >= $segment->fromMm && $tape < $segment->toMm) {
                    $what = $obstacle->what === '' ? 'one in the line' : $obstacle->what;
                    $findings[] = self::finding($head->name, $what, $network->where($segment->run(), $tape), $rulebook);
                }
            }
        }

        return $findings;
    }

    /** Gives the first fixture with a trap that discharges into a segment. */
    private static function trapped(Segment $segment): ?LoadedFixture
    {
        foreach ($segment->heads as $head) {
            if ($head->fixture->trap !== TrapKind::None) {
                return $head;
            }
        }

        return null;
    }

    /** @param string $second what the other trap is */
    private static function finding(string $fixture, string $second, Where $where, Rulebook $rulebook): Finding
    {
        $params = ['fixture' => $fixture, 'second' => $second];

        return new Finding(self::ID, Severity::Stop, $where, 2, 1, $params, $rulebook->source('trap.one-only'));
    }
}
