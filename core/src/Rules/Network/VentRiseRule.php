<?php

declare(strict_types=1);

namespace FallBend\Core\Rules\Network;

use FallBend\Core\Catalog\Provenance;
use FallBend\Core\Catalog\Rulebook;
use FallBend\Core\Catalog\Threshold;
use FallBend\Core\Measure\Tolerance;
use FallBend\Core\Network\LoadedFixture;
use FallBend\Core\Network\Network;
use FallBend\Core\Network\Segment;
use FallBend\Core\Verdict\Finding;
use FallBend\Core\Verdict\RuleId;
use FallBend\Core\Verdict\Severity;
use FallBend\Core\Verdict\Where;

/**
 * A dry vent rises above the flood level rim of what it serves before it goes level or joins another: else it fills
 * when the drain is stopped, and stays fouled.
 */
final readonly class VentRiseRule implements NetworkRule
{
    public const ID = RuleId::VentBelowRim;

    public function judge(Network $network, Rulebook $rulebook): array
    {
        $least = $rulebook->limit('vent.rise-least');
        [$findings, $asked] = [[], []];
        if ($least?->value === null) {
            return [];
        }
        foreach ($network->segments as $segment) {
            $served = $segment->isDryVent() && $segment->isCalledVent() ? $network->vents($segment) : [];
            $low = $served === [] ? null : self::lowestLevel($segment, $network);
            if ($low === null) {
                continue;
            }
            [$z, $tape] = $low;
            foreach ($served as $arm) {
                // The foot vent of an island runs level below the floor, once its loop has risen.
                if ($arm->isLooped() && $arm->by !== $segment) {
                    continue;
                }
                $rim = $arm->head->rimMm();
                if ($rim === null) {
                    $asked[$arm->head->node->run] = $arm->head;
                } elseif (Tolerance::isUnder($z, $rim + $least->value, Tolerance::TAPE_MM)) {
                    $findings[] = self::low($arm->head, $z - $rim, $least, $network->where($segment->run(), $tape));
                    break;
                }
            }
        }
        foreach ($asked as $head) {
            $findings[] = self::rimNotMeasured($head, $network->whereNode($head->node), $least->provenance);
        }

        return $findings;
    }

    /** @param float $aboveMm how far its lowest level pipe stands over the rim; below it less than 0 */
    private static function low(LoadedFixture $head, float $aboveMm, Threshold $least, Where $where): Finding
    {
        $leastMm = $least->value ?? 0.0;

        return new Finding(self::ID, Severity::Stop, $where, $aboveMm, $leastMm, [
            'above_mm' => max(0.0, $aboveMm),
            'below_mm' => max(0.0, -$aboveMm),
            'is' => $aboveMm >= 0 ? 'above' : ($leastMm > 0 ? 'below' : 'level'),
            'least_mm' => $leastMm,
            'raise_mm' => $leastMm - $aboveMm,
            'fixture' => $head->name,
        ], $least->provenance);
    }

    /** That a vent cannot be judged before the flood rim of a fixture is measured. */
    public static function rimNotMeasured(LoadedFixture $head, Where $where, ?Provenance $source): Finding
    {
        return new Finding(
            RuleId::VentRimNotKnown,
            Severity::Unknown,
            $where,
            params: ['fixture' => $head->name],
            source: $source,
        );
    }

    /**
     * @return array{float, float}|null height of the lowest level stretch, or of where it joins another vent, in the
     *     frame of the network; and its tape
     */
    private static function lowestLevel(Segment $segment, Network $network): ?array
    {
        $lowest = null;
        $offset = $network->layout->offsets[$segment->run()]->z;
        foreach ($segment->stretches as $stretch) {
            if (! $stretch->isUpright()) {
                $z = $offset + $stretch->lowestZ();
                $lowest = $lowest === null || $z < $lowest[0] ? [$z, $stretch->tapeMm()] : $lowest;
            }
        }
        if (
            $segment->up->junction !== null &&
            $segment->up->run !== $segment->run() &&
            $segment->hasAirAbove &&
            ($lowest === null || $segment->up->at->z < $lowest[0])
        ) {
            $lowest = [$segment->up->at->z, $segment->isReversed ? $segment->toMm : $segment->fromMm];
        }

        return $lowest;
    }
}
