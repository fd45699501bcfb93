<?php

declare(strict_types=1);

namespace FallBend\Core\Rules\Network;

use FallBend\Core\Catalog\Rulebook;
use FallBend\Core\Measure\Tolerance;
use FallBend\Core\Network\Network;
use FallBend\Core\Network\Node;
use FallBend\Core\Verdict\Finding;
use FallBend\Core\Verdict\RuleId;
use FallBend\Core\Verdict\Severity;

/** The open end of a vent stands clear of the roof, and away from or above windows and inlets. */
final readonly class VentTerminalRule implements NetworkRule
{
    public function judge(Network $network, Rulebook $rulebook): array
    {
        $findings = [];
        foreach ($network->nodes as $node) {
            if ($node->end?->kind === 'roof') {
                array_push($findings, ...self::judgeTerminal($node, $network, $rulebook));
            }
        }

        return $findings;
    }

    /** @return list<Finding> */
    private static function judgeTerminal(Node $node, Network $network, Rulebook $rulebook): array
    {
        [$roof, $away, $above] = [
            $rulebook->limit('vent.above-roof'),
            $rulebook->limit('vent.opening-away'),
            $rulebook->limit('vent.opening-above'),
        ];
        $terminal = $node->end?->terminal;
        $where = $network->whereNode($node);
        $findings = [];
        if (
            ($roof !== null && $terminal?->aboveRoofMm === null) ||
            ($away !== null && $terminal?->openingAwayMm === null)
        ) {
            $findings[] = new Finding(
                RuleId::VentTerminalMeasure,
                Severity::Unknown,
                $where,
                params: ['what' => $node->end->what ?? ''],
            );
        }
        if (
            $roof?->value !== null &&
            $terminal?->aboveRoofMm !== null &&
            $terminal->aboveRoofMm < $roof->value - Tolerance::TAPE_MM
        ) {
            $findings[] = new Finding(
                RuleId::VentTerminalLow,
                Severity::Stop,
                $where,
                $terminal->aboveRoofMm,
                $roof->value,
                ['above_mm' => $terminal->aboveRoofMm, 'least_mm' => $roof->value],
                $roof->provenance,
            );
        }
        if (
            $away?->value !== null &&
            $above?->value !== null &&
            $terminal?->openingAwayMm !== null &&
            $terminal->openingAwayMm < $away->value - Tolerance::TAPE_MM &&
            ($terminal->openingBelowMm ?? -INF) < $above->value - Tolerance::TAPE_MM
        ) {
            $findings[] = new Finding(
                RuleId::VentTerminalNear,
                Severity::Stop,
                $where,
                $terminal->openingAwayMm,
                $away->value,
                ['away_mm' => $terminal->openingAwayMm, 'least_mm' => $away->value, 'above_mm' => $above->value],
                $away->provenance,
            );
        }

        return $findings;
    }
}
