<?php

declare(strict_types=1);

namespace FallBend\Core\Rules\Network;

use FallBend\Core\Catalog\Rulebook;
use FallBend\Core\Job\RunUse;
use FallBend\Core\Layout\LegLaid;
use FallBend\Core\Layout\Orientation;
use FallBend\Core\Layout\RunLayout;
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
        $most = $rulebook->limit('cleanout.turn-most');
        if ($most?->value === null) {
            return [];
        }
        $mostDeg = $most->value + $network->catalogue->assumption('turn-slack')->value;
        $spanMm = $rulebook->number('cleanout.turn-span');
        $findings = [];
        foreach ($network->layout->runs as $id => $layout) {
            $isDrain = $layout->run->use === RunUse::Drain;
            foreach ($isDrain ? self::turned($layout, $network, $mostDeg, $spanMm) : [] as [$tape, $turns]) {
                $findings[] = new Finding(
                    self::ID,
                    Severity::Warn,
                    $network->where($id, $tape),
                    $turns,
                    $most->value,
                    ['turn_deg' => round($turns), 'most_deg' => $most->value],
                    $most->provenance,
                );
            }
        }

        return $findings;
    }

    /**
     * @param float $spanMm what is nearer than this to where it can be rodded from counts as there
     * @return list<array{float, float}> tapes where it has turned too far since it could be rodded, and how far
     */
    private static function turned(RunLayout $layout, Network $network, float $mostDeg, float $spanMm): array
    {
        $obstacles = $network->obstacles[$layout->run->id] ?? [];
        [$turns, $since, $found] = [0.0, Access::atHead($layout) ? 0.0 : -INF, []];
        foreach ($layout->legs as $leg) {
            $isLevel = self::isTurnOfLevel($leg, $layout);
            $reach = Access::lastBefore($obstacles, $layout, $leg->tapeMm);
            if ($reach !== null && $reach > $since) {
                [$since, $turns] = [$reach, 0.0];
            }
            $turns += $isLevel ? $leg->turn->angleDeg ?? 0.0 : 0.0;
            $isFar = $turns > $mostDeg && $leg->tapeMm - $since > $spanMm;
            if ($isLevel && $isFar && ! Access::standsAtTurn($layout, $leg)) {
                $found[] = [$leg->tapeMm, $turns];
                [$since, $turns] = [$leg->tapeMm, 0.0];
            }
        }

        return $found;
    }

    /** Whether a leg is level, and what it turns from too. */
    private static function isTurnOfLevel(LegLaid $leg, RunLayout $layout): bool
    {
        $before = $layout->legs[$leg->line->number - 2]->line->direction ?? $leg->line->direction;

        return ! $leg->isUpright() && ($leg->turn === null || ! Orientation::isUpright($before));
    }
}
