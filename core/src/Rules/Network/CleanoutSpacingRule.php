<?php

declare(strict_types=1);

namespace FallBend\Core\Rules\Network;

use FallBend\Core\Catalog\Rulebook;
use FallBend\Core\Catalog\Threshold;
use FallBend\Core\Job\Obstacle;
use FallBend\Core\Job\ObstacleKind;
use FallBend\Core\Job\RunEndKind;
use FallBend\Core\Job\RunUse;
use FallBend\Core\Layout\LegLaid;
use FallBend\Core\Layout\RunLayout;
use FallBend\Core\Measure\Tolerance;
use FallBend\Core\Network\Network;
use FallBend\Core\Verdict\Finding;
use FallBend\Core\Verdict\RuleId;
use FallBend\Core\Verdict\Severity;
use FallBend\Core\Verdict\Where;

/**
 * From one cleanout to the next a drain is no longer than the rulebook allows, and a long level drain has one at its
 * head.
 */
final readonly class CleanoutSpacingRule implements NetworkRule
{
    public const ID = RuleId::CleanoutSpacing;

    public function judge(Network $network, Rulebook $rulebook): array
    {
        $head = $rulebook->limit('cleanout.head');
        $findings = [];
        foreach ($network->layout->runs as $id => $layout) {
            $most = $rulebook->forSize('cleanout.spacing-most', $layout->run->size);
            // What is no longer than the least of all limits needs no closer look.
            if (
                $layout->run->use === RunUse::Vent ||
                $layout->tapeMm <= min($most->value ?? INF, $head->value ?? INF)
            ) {
                continue;
            }
            $tapes = self::tapes($layout, $network->obstacles[$id] ?? []);
            if ($tapes === []) {
                array_push($findings, ...self::atHead($layout, $head, $network->where($id, 0.0)));
            }
            $points = [0.0, ...$tapes, $layout->tapeMm];
            for ($i = 1; $i < count($points); $i++) {
                $apart = $points[$i] - $points[$i - 1];
                if ($most?->value !== null && Tolerance::isOver($apart, $most->value, Tolerance::TAPE_MM)) {
                    $findings[] = new Finding(
                        self::ID,
                        Severity::Stop,
                        $network->where($id, $points[$i - 1] + $most->value),
                        $apart,
                        $most->value,
                        ['length_mm' => $apart, 'most_mm' => $most->value],
                        $most->provenance,
                    );
                }
            }
        }

        return $findings;
    }

    /**
     * @param list<Obstacle> $obstacles of the run
     * @return list<float> where it can be rodded from, along its tape
     */
    private static function tapes(RunLayout $layout, array $obstacles): array
    {
        $tapes = Access::atHead($layout) ? [0.0] : [];
        foreach ($obstacles as $obstacle) {
            $tape = $obstacle->kind === ObstacleKind::Cleanout ? Access::tapeOf($obstacle, $layout) : null;
            if ($tape !== null) {
                $tapes[] = $tape;
            }
        }
        sort($tapes);

        return $tapes;
    }

    /** @return list<Finding> on a long level drain that nobody can rod from its head */
    private static function atHead(RunLayout $layout, ?Threshold $head, Where $where): array
    {
        $isOpen = in_array($layout->run->outlet->kind, [RunEndKind::Cap, RunEndKind::Run], true);
        $level = (float) array_sum(
            array_map(static fn (LegLaid $leg): float => $leg->isUpright() ? 0.0 : $leg->centreMm, $layout->legs),
        );
        $isLong = $head?->value !== null && Tolerance::isOver($level, $head->value, Tolerance::TAPE_MM);
        if (! $isLong || $layout->run->use !== RunUse::Drain || ! $isOpen) {
            return [];
        }

        return [
            new Finding(
                RuleId::CleanoutHead,
                Severity::Warn,
                $where,
                $level,
                $head->value,
                ['length_mm' => $level, 'over_mm' => $head->value],
                $head->provenance,
            ),
        ];
    }
}
