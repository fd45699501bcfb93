<?php

declare(strict_types=1);

namespace FallBend\Core\Rules\Network;

use FallBend\Core\Catalog\Rulebook;
use FallBend\Core\Catalog\Threshold;
use FallBend\Core\Network\Arm;
use FallBend\Core\Network\Network;
use FallBend\Core\Verdict\Finding;
use FallBend\Core\Verdict\RuleId;
use FallBend\Core\Verdict\Severity;

/**
 * An unvented branch is no steeper than its length allows, where the rulebook counts so; between the lengths of its
 * table the limit runs straight.
 */
final readonly class ArmGradientRule implements NetworkRule
{
    public const ID = RuleId::ArmGradient;

    public function judge(Network $network, Rulebook $rulebook): array
    {
        $findings = [];
        foreach ($network->heads as $head) {
            $arm = $network->arm($head);
            $most = $arm === null || $head->isCloset() ? null : self::most($arm, $rulebook);
            if (
                $arm !== null &&
                $most !== null &&
                $arm->steepestMmPerM !== null &&
                $arm->steepestMmPerM > $most[0] + 0.1 &&
                ! $arm->isVentedBefore()
            ) {
                $findings[] = new Finding(
                    self::ID,
                    Severity::Stop,
                    $network->whereNode($head->node),
                    $arm->steepestMmPerM,
                    $most[0],
                    [
                        'fall_mm_per_m' => $arm->steepestMmPerM,
                        'most_mm_per_m' => $most[0],
                        'length_mm' => $arm->lengthMm,
                        'fixture' => $head->name,
                    ],
                    $most[1]->provenance,
                );
            }
        }

        return $findings;
    }

    /** @return array{float, Threshold}|null mm per m, and the row */
    private static function most(Arm $arm, Rulebook $rulebook): ?array
    {
        $rows = array_values(
            array_filter(
                $rulebook->topic('trap-arm.gradient-most'),
                static fn (Threshold $t): bool => in_array($arm->size(), $t->sizes, true) &&
                    ($t->fixtures === [] || in_array($arm->head->fixture->kind->value, $t->fixtures, true)),
            ),
        );
        if ($rows === []) {
            return null;
        }
        usort($rows, static fn (Threshold $a, Threshold $b): int => ($a->lengthMm ?? INF) <=> ($b->lengthMm ?? INF));
        $before = null;
        foreach ($rows as $row) {
            if ($row->lengthMm === null || $arm->lengthMm <= $row->lengthMm) {
                $value = $row->value ?? 0.0;

                return [
                    $before === null || $row->lengthMm === null
                        ? $value
                        : ($before->value ?? 0.0) +
                            (($value - ($before->value ?? 0.0)) * ($arm->lengthMm - ($before->lengthMm ?? 0.0))) /
                                ($row->lengthMm - ($before->lengthMm ?? 0.0)),
                    $row,
                ];
            }
            $before = $row;
        }

        return [$rows[count($rows) - 1]->value ?? 0.0, $rows[count($rows) - 1]];
    }
}
