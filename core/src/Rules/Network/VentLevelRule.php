<?php

declare(strict_types=1);

namespace FallBend\Core\Rules\Network;

use FallBend\Core\Catalog\Nominal;
use FallBend\Core\Catalog\Rulebook;
use FallBend\Core\Catalog\Threshold;
use FallBend\Core\Measure\Tolerance;
use FallBend\Core\Network\Arm;
use FallBend\Core\Network\Network;
use FallBend\Core\Network\Segment;
use FallBend\Core\Verdict\Finding;
use FallBend\Core\Verdict\RuleId;
use FallBend\Core\Verdict\Severity;

/** Of its permitted length a vent runs level only a share, but for one that is larger than is wanted (UPC 904.2). */
final readonly class VentLevelRule implements NetworkRule
{
    public const ID = RuleId::VentLevel;

    public function judge(Network $network, Rulebook $rulebook): array
    {
        $share = $rulebook->limit('vent.level-share');
        $findings = [];
        if ($share?->value === null) {
            return [];
        }
        foreach ($network->segments as $segment) {
            if (! $segment->isVent || ! $segment->isDryVent()) {
                continue;
            }
            $size = $segment->size();
            $most = ($rulebook->forSize('vent.length-most', $size)->value ?? INF) * $share->value;
            $level = self::levelMm($segment, $network);
            if (
                Tolerance::isOver($level, $most, Tolerance::TAPE_MM) &&
                ! self::isLarger($size, $network->vents($segment), $rulebook)
            ) {
                $findings[] = new Finding(
                    self::ID,
                    Severity::Stop,
                    $network->whereOf($segment),
                    $level,
                    $most,
                    ['vent' => $segment->layout->run->name, 'level_mm' => $level, 'most_mm' => $most, 'size' => $size],
                    $share->provenance,
                );
            }
        }

        return $findings;
    }

    /** How much of a vent is level, from there up to the open air. */
    private static function levelMm(Segment $segment, Network $network): float
    {
        $level = 0.0;
        for ($one = $segment; $one !== null; $one = $network->airBefore($one)) {
            foreach ($one->stretches as $stretch) {
                $level += $stretch->isUpright() ? 0.0 : $stretch->lengthMm();
            }
        }

        return $level;
    }

    /**
     * Whether a smaller size would carry what it vents.
     *
     * @param list<Arm> $arms
     */
    private static function isLarger(string $size, array $arms, Rulebook $rulebook): bool
    {
        $load = array_sum(array_map(static fn (Arm $arm): float => $arm->head->load->value ?? 0.0, $arms));
        $drain = max(0.0, ...array_map(static fn (Arm $arm): float => Nominal::mm($arm->size()), $arms));
        $least = max(
            $rulebook->limit('vent.size-least')->value ?? 0.0,
            ($rulebook->limit('vent.fraction')->value ?? 0.0) * $drain,
        );
        $isSmaller = static fn (Threshold $row): bool => $row->value !== null &&
            ! Tolerance::isOver($load, $row->value, Tolerance::SUM) &&
            array_filter(
                $row->sizes,
                static fn (string $one): bool => Nominal::mm($one) < Nominal::mm($size) &&
                    ! Tolerance::isUnder(Nominal::mm($one), $least, Tolerance::NOMINAL_MM),
            ) !== [];

        return array_filter($rulebook->topic('vent.load-most'), $isSmaller) !== [];
    }
}
