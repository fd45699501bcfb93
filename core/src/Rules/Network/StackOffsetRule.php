<?php

declare(strict_types=1);

namespace FallBend\Core\Rules\Network;

use FallBend\Core\Catalog\Rulebook;
use FallBend\Core\Measure\Tolerance;
use FallBend\Core\Network\Network;
use FallBend\Core\Network\Stack;
use FallBend\Core\Network\StackBranch;
use FallBend\Core\Verdict\Finding;
use FallBend\Core\Verdict\RuleId;
use FallBend\Core\Verdict\Severity;

/** A stack has no offset where water comes down it; where it has one, nothing enters close to it (AD H H1 1.27). */
final readonly class StackOffsetRule implements NetworkRule
{
    public const ID = RuleId::StackOffset;

    public function judge(Network $network, Rulebook $rulebook): array
    {
        $clear = $rulebook->limit('stack.offset-clear');
        $findings = [];
        if ($clear?->value === null) {
            return [];
        }
        foreach ($network->stacks() as $stack) {
            foreach ($stack->branches as $branch) {
                $off = self::nearestOffsetMm($stack, $branch);
                if ($off === null || ! Tolerance::isUnder($off, $clear->value, Tolerance::TAPE_MM)) {
                    continue;
                }
                $findings[] = new Finding(
                    self::ID,
                    Severity::Stop,
                    $network->where($stack->layout->run->id, $branch->tapeMm),
                    $off,
                    $clear->value,
                    [
                        'off_mm' => $off,
                        'least_mm' => $clear->value,
                        'branch' => $network->layout->runs[$branch->run()]->run->name ?? '',
                    ],
                    $clear->provenance,
                );
            }
        }

        return $findings;
    }

    /** Gives how far a branch is from the nearest offset of its stack, along the upright pipe; null: it has none. */
    private static function nearestOffsetMm(Stack $stack, StackBranch $branch): ?float
    {
        $legs = $stack->layout->legs;
        $at = $branch->leg->line->number - 1;
        $along = $branch->tapeMm - $branch->leg->tapeMm;
        $nearest = null;
        // An offset lies between two upright legs: below the last one is the foot, and no offset.
        $sides = [[$at - 1, $at - 2, $along], [$at + 1, $at + 2, $branch->leg->centreMm - $along]];
        foreach ($sides as [$next, $over, $mm]) {
            $isOffset =
                isset($legs[$next], $legs[$over]) && ! $legs[$next]->isUpright() && $legs[$over]->isUpright();
            $nearest = $isOffset ? min($nearest ?? INF, $mm) : $nearest;
        }

        return $nearest;
    }
}
