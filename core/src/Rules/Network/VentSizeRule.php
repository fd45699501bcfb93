<?php

declare(strict_types=1);

namespace FallBend\Core\Rules\Network;

use FallBend\Core\Catalog\Nominal;
use FallBend\Core\Catalog\Rulebook;
use FallBend\Core\Measure\Tolerance;
use FallBend\Core\Network\Network;
use FallBend\Core\Network\Segment;
use FallBend\Core\Verdict\Finding;
use FallBend\Core\Verdict\RuleId;
use FallBend\Core\Verdict\Severity;

/** A vent is large enough for the drain that it serves, for its length, and for the load. */
final readonly class VentSizeRule implements NetworkRule
{
    public const ID = RuleId::VentSize;

    public function judge(Network $network, Rulebook $rulebook): array
    {
        $findings = [];
        foreach ($network->segments as $segment) {
            if ($segment->isVent && $segment->isDryVent()) {
                array_push($findings, ...self::judgeSegment($segment, $network, $rulebook));
            }
        }

        return $findings;
    }

    /** @return list<Finding> */
    private static function judgeSegment(Segment $segment, Network $network, Rulebook $rulebook): array
    {
        $system = $segment->layout->system;
        $size = $segment->size();
        foreach ($segment->stretches as $stretch) {
            $size =
                $stretch->leg->line->size !== $size && $system->isLarger($size, $stretch->leg->line->size)
                    ? $stretch->leg->line->size
                    : $size;
        }
        $nominal = Nominal::mm($size);
        [$largest, $units] = [0.0, 0.0];
        foreach ($network->vents($segment) as $arm) {
            $largest = max($largest, Nominal::mm($arm->size()));
            $units += $arm->head->load->value ?? 0.0;
        }
        $fraction = $rulebook->limit('vent.fraction');
        $floor = $rulebook->limit('vent.size-least');
        $needed = max(($fraction->value ?? 0.0) * $largest, $floor->value ?? 0.0);
        $length = ($network->air($segment->up)->lengthMm ?? 0.0) + $segment->lengthMm();
        $upOver = $rulebook->limit('vent.up-over');
        $findings = [];
        if ($nominal < $needed - Tolerance::NOMINAL_MM) {
            $findings[] = new Finding(
                self::ID,
                Severity::Stop,
                $network->whereOf($segment),
                $nominal,
                $needed,
                ['size' => $size, 'needed_mm' => $needed, 'drain_mm' => $largest],
                ($fraction?->value !== null && $fraction->value * $largest >= ($floor->value ?? 0.0)
                    ? $fraction
                    : $floor
                )?->provenance,
            );
        } elseif ($upOver?->value !== null && $length > $upOver->value && $nominal <= $needed + Tolerance::NOMINAL_MM) {
            $findings[] = new Finding(
                RuleId::VentSizeForLength,
                Severity::Stop,
                $network->whereOf($segment),
                $length,
                $upOver->value,
                ['size' => $size, 'length_mm' => $length, 'over_mm' => $upOver->value],
                $upOver->provenance,
            );
        }
        [$load, $lengthMost] = [
            $rulebook->forSize('vent.load-most', $size),
            $rulebook->forSize('vent.length-most', $size),
        ];
        if ($load?->value !== null && $units > $load->value) {
            $findings[] = new Finding(
                RuleId::VentLoad,
                Severity::Stop,
                $network->whereOf($segment),
                $units,
                $load->value,
                ['size' => $size, 'load' => (string) $units, 'most' => (string) $load->value],
                $load->provenance,
            );
        }
        if ($lengthMost?->value !== null && $length > $lengthMost->value) {
            $findings[] = new Finding(
                RuleId::VentLong,
                Severity::Stop,
                $network->whereOf($segment),
                $length,
                $lengthMost->value,
                ['size' => $size, 'length_mm' => $length, 'most_mm' => $lengthMost->value],
                $lengthMost->provenance,
            );
        }

        return $findings;
    }
}
