<?php

declare(strict_types=1);

namespace FallBend\Core\Rules\Network;

use FallBend\Core\Catalog\Nominal;
use FallBend\Core\Catalog\Rulebook;
use FallBend\Core\Measure\Tolerance;
use FallBend\Core\Network\Arm;
use FallBend\Core\Network\Network;
use FallBend\Core\Network\Segment;
use FallBend\Core\Verdict\Finding;
use FallBend\Core\Verdict\RuleId;
use FallBend\Core\Verdict\Severity;
use FallBend\Core\Verdict\Where;

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
        // The smallest size of a vent is what air passes.
        $size = $segment->smallestSize();
        $vent = [
            'size' => $size,
            'length_mm' => ($network->air($segment->up)->lengthMm ?? 0.0) + $segment->lengthMm(),
        ];
        $arms = $network->vents($segment);
        $where = new Where;
        $findings = [
            ...self::judgeSize($vent, $arms, $rulebook, $where),
            ...self::judgeLoad($size, $arms, $rulebook, $where),
            ...self::judgeLength($vent, $rulebook, $where),
        ];

        return array_map(
            static fn (Finding $finding): Finding => $finding->at($network->whereOf($segment)),
            $findings,
        );
    }

    /**
     * @param array{size: string, length_mm: float} $vent
     * @param list<Arm> $arms that it vents
     * @return list<Finding>
     */
    private static function judgeSize(array $vent, array $arms, Rulebook $rulebook, Where $where): array
    {
        $largest = max(0.0, ...array_map(static fn (Arm $arm): float => Nominal::mm($arm->size()), $arms));
        [$fraction, $floor] = [$rulebook->limit('vent.fraction'), $rulebook->limit('vent.size-least')];
        foreach ($arms as $arm) {
            // Some books go by the trap, and not by the drain.
            $byTrap = $rulebook->forSize('vent.by-trap', $arm->size());
            $floor = ($byTrap->value ?? 0.0) > ($floor->value ?? 0.0) ? $byTrap : $floor;
        }
        [$ofDrain, $ofAny] = [($fraction->value ?? 0.0) * $largest, $floor->value ?? 0.0];
        [$needed, $nominal] = [max($ofDrain, $ofAny), Nominal::mm($vent['size'])];
        if (Tolerance::isUnder($nominal, $needed, Tolerance::NOMINAL_MM)) {
            $source = $fraction?->value !== null && $ofDrain >= $ofAny ? $fraction : $floor;
            $params = ['size' => $vent['size'], 'needed_mm' => $needed, 'drain_mm' => $largest];

            return [new Finding(self::ID, Severity::Stop, $where, $nominal, $needed, $params, $source?->provenance)];
        }

        return Tolerance::isOver($nominal, $needed, Tolerance::NOMINAL_MM)
            ? []
            : self::judgeSizeForLength($vent, $rulebook, $where);
    }

    /**
     * A long vent is a size larger than its drains ask for.
     *
     * @param array{size: string, length_mm: float} $vent of no more than the size that they ask for
     * @return list<Finding>
     */
    private static function judgeSizeForLength(array $vent, Rulebook $rulebook, Where $where): array
    {
        $over = $rulebook->limit('vent.up-over');
        $isLong = $over?->value !== null && Tolerance::isOver($vent['length_mm'], $over->value, Tolerance::TAPE_MM);
        if (! $isLong) {
            return [];
        }
        $params = $vent + ['over_mm' => $over->value];

        return [new Finding(
            RuleId::VentSizeForLength,
            Severity::Stop,
            $where,
            $vent['length_mm'],
            $over->value,
            $params,
            $over->provenance,
        )];
    }

    /**
     * @param list<Arm> $arms that it vents
     * @return list<Finding>
     */
    private static function judgeLoad(string $size, array $arms, Rulebook $rulebook, Where $where): array
    {
        $most = $rulebook->forSize('vent.load-most', $size);
        $units = array_sum(array_map(static fn (Arm $arm): float => $arm->head->load->value ?? 0.0, $arms));
        if ($most?->value === null || ! Tolerance::isOver($units, $most->value, Tolerance::SUM)) {
            return [];
        }
        $params = ['size' => $size, 'load' => (string) $units, 'most' => (string) $most->value];

        return [new Finding(
            RuleId::VentLoad,
            Severity::Stop,
            $where,
            (float) $units,
            $most->value,
            $params,
            $most->provenance,
        )];
    }

    /**
     * @param array{size: string, length_mm: float} $vent
     * @return list<Finding>
     */
    private static function judgeLength(array $vent, Rulebook $rulebook, Where $where): array
    {
        $most = $rulebook->forSize('vent.length-most', $vent['size']);

        $isLong = $most?->value !== null && Tolerance::isOver($vent['length_mm'], $most->value, Tolerance::TAPE_MM);

        return ! $isLong ? [] : [new Finding(
            RuleId::VentLong,
            Severity::Stop,
            $where,
            $vent['length_mm'],
            $most->value,
            $vent + ['most_mm' => $most->value],
            $most->provenance,
        )];
    }
}
