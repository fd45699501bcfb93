<?php

declare(strict_types=1);

namespace FallBend\Core\Rules\Network;

use FallBend\Core\Catalog\Rulebook;
use FallBend\Core\Catalog\Threshold;
use FallBend\Core\Job\RunEndKind;
use FallBend\Core\Measure\Tolerance;
use FallBend\Core\Network\Arm;
use FallBend\Core\Network\Network;
use FallBend\Core\Network\Node;
use FallBend\Core\Verdict\Finding;
use FallBend\Core\Verdict\RuleId;
use FallBend\Core\Verdict\Severity;

/** An air admittance valve stands only where the rulebook takes one, and high enough over what it serves. */
final readonly class ValveRule implements NetworkRule
{
    public function judge(Network $network, Rulebook $rulebook): array
    {
        $findings = [];
        $taken = $rulebook->limit('valve.taken');
        foreach ($network->nodes as $node) {
            if ($node->end?->kind !== RunEndKind::Valve || $network->air($node) === null) {
                continue;
            }
            if ($taken?->value !== 1.0 && ! self::isRenovation($taken, $network)) {
                $findings[] = self::notTaken($node, $taken, $network, $rulebook);
            }
            if ($taken === null || $taken->value === 0.0) {
                continue;
            }
            $arms = array_merge(...array_map($network->vents(...), $network->out($node)));
            array_push($findings, ...self::low($node, $arms, $network, $rulebook));
        }

        return $findings;
    }

    /** Whether the book takes valves only in some places, and the renovated house of one family is one of them. */
    private static function isRenovation(?Threshold $taken, Network $network): bool
    {
        $building = $network->layout->job->building;

        return $taken !== null &&
            $taken->value === null &&
            $building->isRenovation === true &&
            $building->isOneFamily === true;
    }

    /** A valve that the book does not take, or only where it says: whether it is one of those is asked. */
    private static function notTaken(Node $node, ?Threshold $taken, Network $network, Rulebook $rulebook): Finding
    {
        $isOnlyWhere = $taken !== null && $taken->value === null;

        return new Finding(
            $isOnlyWhere ? RuleId::ValveOnlyWhere : RuleId::ValveRefused,
            $isOnlyWhere ? Severity::Unknown : Severity::Stop,
            $network->whereNode($node),
            params: [
                'what' => $node->end->what ?? '',
                'book' => $rulebook->name,
                'where' => $taken->provenance->note ?? '',
            ],
            source: $taken?->provenance,
        );
    }

    /**
     * @param list<Arm> $arms that it vents
     * @return list<Finding>
     */
    private static function low(Node $node, array $arms, Network $network, Rulebook $rulebook): array
    {
        // Over a stack, or where the book knows one height for all, it stands over the rim and not over the drain.
        $isOverRim = count($arms) > 2 || $rulebook->limit('valve.rise-least') === null;
        $least = $rulebook->limit($isOverRim ? 'valve.stack-rise-least' : 'valve.rise-least');
        if ($least?->value === null) {
            return [];
        }
        foreach ($arms as $arm) {
            $from = $isOverRim ? $arm->head->rimMm() : $arm->vent?->at->z;
            if ($from === null) {
                return [VentRiseRule::rimNotMeasured($arm->head, $network->whereNode($node), $least->provenance)];
            }
            if (Tolerance::isUnder($node->at->z, $from + $least->value, Tolerance::TAPE_MM)) {
                return [
                    new Finding(
                        RuleId::ValveLow,
                        Severity::Stop,
                        $network->whereNode($node),
                        $node->at->z - $from,
                        $least->value,
                        self::lowInWords($isOverRim, $node->at->z - $from, $least->value) + [
                            'fixture' => $arm->head->name,
                        ],
                        $least->provenance,
                    ),
                ];
            }
        }

        return [];
    }

    /**
     * @param float $aboveMm how far it stands above; below it less than 0
     * @return array<string, float|string>
     */
    private static function lowInWords(bool $isOverRim, float $aboveMm, float $leastMm): array
    {
        $lies = $aboveMm < 0 ? 'below' : 'above';

        return [
            'above_mm' => max(0.0, $aboveMm),
            'below_mm' => max(0.0, -$aboveMm),
            'least_mm' => $leastMm,
            'raise_mm' => $leastMm - $aboveMm,
            'case' => ($isOverRim ? 'rim' : 'drain').'-'.($isOverRim && $leastMm <= 0.0 ? 'level' : $lies),
        ];
    }
}
