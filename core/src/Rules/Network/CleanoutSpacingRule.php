<?php

declare(strict_types=1);

namespace FallBend\Core\Rules\Network;

use FallBend\Core\Catalog\Rulebook;
use FallBend\Core\Job\Obstacle;
use FallBend\Core\Network\Network;
use FallBend\Core\Verdict\Finding;
use FallBend\Core\Verdict\RuleId;
use FallBend\Core\Verdict\Severity;

/**
 * From one cleanout to the next a drain is no longer than the rulebook allows, and a long level drain has one at its
 * head.
 */
final readonly class CleanoutSpacingRule implements NetworkRule
{
    public const ID = RuleId::CleanoutSpacing;

    public function judge(Network $network, Rulebook $rulebook): array
    {
        [$most, $head] = [$rulebook->limit('cleanout.spacing-most'), $rulebook->limit('cleanout.head')];
        $findings = [];
        foreach ($network->layout->runs as $id => $layout) {
            // What is no longer than the least of all limits needs no closer look.
            if ($layout->run->use === 'vent' || $layout->tapeMm <= min($most->value ?? INF, $head->value ?? INF)) {
                continue;
            }
            $at = [
                Access::atHead($layout) ? 0.0 : null,
                ...array_map(
                    static fn (Obstacle $o): float => Access::tapeOf($o, $layout),
                    array_filter(
                        $network->obstacles[$id] ?? [],
                        static fn (Obstacle $o): bool => $o->kind === 'cleanout',
                    ),
                ),
            ];
            $tapes = array_values(array_filter($at, static fn (?float $tape): bool => $tape !== null));
            sort($tapes);
            $level = array_sum(
                array_map(static fn ($leg): float => $leg->isUpright() ? 0.0 : $leg->centreMm, $layout->legs),
            );
            if (
                $head?->value !== null &&
                $layout->run->use === 'drain' &&
                $tapes === [] &&
                $level > $head->value &&
                in_array($layout->run->outlet->kind, ['cap', 'run'], true)
            ) {
                $findings[] = new Finding(
                    RuleId::CleanoutHead,
                    Severity::Warn,
                    $network->where($id, 0.0),
                    $level,
                    $head->value,
                    ['length_mm' => $level, 'over_mm' => $head->value],
                    $head->provenance,
                );
            }
            $points = [0.0, ...$tapes, $layout->tapeMm];
            for ($i = 1; $i < count($points); $i++) {
                if ($most?->value !== null && $most->value < $points[$i] - $points[$i - 1]) {
                    $findings[] = new Finding(
                        self::ID,
                        Severity::Stop,
                        $network->where($id, $points[$i - 1] + $most->value),
                        $points[$i] - $points[$i - 1],
                        $most->value,
                        ['length_mm' => $points[$i] - $points[$i - 1], 'most_mm' => $most->value],
                        $most->provenance,
                    );
                }
            }
        }

        return $findings;
    }
}
