<?php

declare(strict_types=1);

namespace FallBend\Core\Rules\Network;

use FallBend\Core\Catalog\Rulebook;
use FallBend\Core\Layout\Orientation;
use FallBend\Core\Network\Network;
use FallBend\Core\Verdict\Finding;
use FallBend\Core\Verdict\RuleId;
use FallBend\Core\Verdict\Severity;

/** A drain that turns, added up, by more than the rulebook allows has a cleanout within reach. */
final readonly class CleanoutTurnRule implements NetworkRule
{
    public const ID = RuleId::CleanoutTurn;

    public function judge(Network $network, Rulebook $rulebook): array
    {
        [$most, $span] = [$rulebook->limit('cleanout.turn-most'), $rulebook->limit('cleanout.turn-span')];
        $findings = [];
        if ($most?->value === null) {
            return [];
        }
        $slack = $network->catalogue->assumption('turn-slack')->value;
        foreach ($network->layout->runs as $id => $layout) {
            if ($layout->run->use === 'vent' || $layout->run->use === 'fixture-drain') {
                continue;
            }
            [$turns, $since] = [0.0, Access::atHead($layout) ? 0.0 : -INF];
            foreach ($layout->legs as $leg) {
                $isLevel =
                    ! $leg->isUpright() &&
                    ! (
                        $leg->turn !== null &&
                        Orientation::isUpright(
                            $layout->legs[$leg->line->number - 2]->line->direction ?? $leg->line->direction,
                        )
                    );
                $reach = Access::lastBefore($network->obstacles[$id] ?? [], $layout, $leg->tapeMm);
                if ($reach !== null && $reach > $since) {
                    [$since, $turns] = [$reach, 0.0];
                }
                $turns += $isLevel ? $leg->turn->angleDeg ?? 0.0 : 0.0;
                if (
                    $isLevel &&
                    $turns > $most->value + $slack &&
                    $leg->tapeMm - $since > ($span->value ?? 0.0) &&
                    ! Access::standsAtTurn($layout, $leg)
                ) {
                    $findings[] = new Finding(
                        self::ID,
                        Severity::Warn,
                        $network->where($id, $leg->tapeMm),
                        $turns,
                        $most->value,
                        ['turn_deg' => round($turns), 'most_deg' => $most->value],
                        $most->provenance,
                    );
                    [$since, $turns] = [$leg->tapeMm, 0.0];
                }
            }
        }

        return $findings;
    }
}
