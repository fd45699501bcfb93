<?php

declare(strict_types=1);

namespace FallBend\Core\Rules\Network;

use FallBend\Core\Catalog\Rulebook;
use FallBend\Core\Job\Building;
use FallBend\Core\Job\RunEndKind;
use FallBend\Core\Job\Terminal;
use FallBend\Core\Measure\Tolerance;
use FallBend\Core\Network\Network;
use FallBend\Core\Verdict\Finding;
use FallBend\Core\Verdict\RuleId;
use FallBend\Core\Verdict\Severity;
use FallBend\Core\Verdict\Where;

/** The open end of a vent stands clear of the roof, and away from or above windows and inlets. */
final readonly class VentTerminalRule implements NetworkRule
{
    public function judge(Network $network, Rulebook $rulebook): array
    {
        $findings = [];
        foreach ($network->nodes as $node) {
            if ($node->end?->kind === RunEndKind::Roof) {
                $terminal = $node->end->terminal ?? new Terminal;
                $where = $network->whereNode($node);
                array_push(
                    $findings,
                    ...self::notMeasured($terminal, $node->end->what, $where, $rulebook),
                    ...self::low($terminal, $network->layout->job->building, $where, $rulebook),
                    ...self::near($terminal, $where, $rulebook),
                );
            }
        }

        return $findings;
    }

    /** @return list<Finding> on what nobody measured of it */
    private static function notMeasured(Terminal $terminal, string $what, Where $where, Rulebook $rulebook): array
    {
        $isMissing =
            ($terminal->aboveRoofMm === null && $rulebook->limit('vent.above-roof') !== null) ||
            ($terminal->openingAwayMm === null && $rulebook->limit('vent.opening-away') !== null);

        return $isMissing
            ? [new Finding(RuleId::VentTerminalMeasure, Severity::Unknown, $where, params: ['what' => $what])]
            : [];
    }

    /** @return list<Finding> on how high it stands over the roof */
    private static function low(Terminal $terminal, Building $building, Where $where, Rulebook $rulebook): array
    {
        [$least, $above] = [$rulebook->limit('vent.above-roof'), $terminal->aboveRoofMm];
        [$leastMm, $case] = [$least?->value, 'roof'];
        $overSnow = $rulebook->limit('vent.over-snow');
        $snowMm = $overSnow?->value === null ? 0.0 : ($building->snowMm ?? -INF) + $overSnow->value;
        if ($snowMm > $leastMm) {
            [$least, $leastMm, $case] = [$overSnow, $snowMm, 'snow'];
        }
        $onUsed = $rulebook->limit('vent.above-used-roof');
        if ($building->isRoofUsed === true && $onUsed?->value !== null && $onUsed->value > $leastMm) {
            [$least, $leastMm, $case] = [$onUsed, $onUsed->value, 'used'];
        }

        return $leastMm === null || $above === null || ! Tolerance::isUnder($above, $leastMm, Tolerance::TAPE_MM)
            ? []
            : [
                new Finding(
                    RuleId::VentTerminalLow,
                    Severity::Stop,
                    $where,
                    $above,
                    $leastMm,
                    ['above_mm' => $above, 'least_mm' => $leastMm, 'case' => $case],
                    $least?->provenance,
                ),
            ];
    }

    /** @return list<Finding> on the opening that its air could come in by */
    private static function near(Terminal $terminal, Where $where, Rulebook $rulebook): array
    {
        [$away, $above] = [$rulebook->limit('vent.opening-away'), $rulebook->limit('vent.opening-above')];
        $is = $terminal->openingAwayMm;
        if ($away?->value === null || $above?->value === null || $is === null) {
            return [];
        }
        $isNear = Tolerance::isUnder($is, $away->value, Tolerance::TAPE_MM);
        $isHigh = ! Tolerance::isUnder($terminal->openingBelowMm ?? -INF, $above->value, Tolerance::TAPE_MM);

        return ! $isNear || $isHigh
            ? []
            : [
                new Finding(
                    RuleId::VentTerminalNear,
                    Severity::Stop,
                    $where,
                    $is,
                    $away->value,
                    ['away_mm' => $is, 'least_mm' => $away->value, 'above_mm' => $above->value],
                    $away->provenance,
                ),
            ];
    }
}
