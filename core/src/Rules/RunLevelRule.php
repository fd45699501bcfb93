<?php

declare(strict_types=1);

namespace FallBend\Core\Rules;

use FallBend\Core\Catalog\Rulebook;
use FallBend\Core\Layout\RunLayout;
use FallBend\Core\Verdict\Finding;
use FallBend\Core\Verdict\RuleId;
use FallBend\Core\Verdict\Severity;
use FallBend\Core\Verdict\Where;

/**
 * The fall of the run against the levels of its ends: what is left over, what is missing, or that nobody has levelled
 * it.
 */
final readonly class RunLevelRule implements Rule
{
    /** What a tape and a level read: half of 1/16 in. */
    private const READING_MM = 0.8;

    public function judge(RunLayout $layout, Rulebook $rulebook): array
    {
        // What ends in another run has its level from there; what comes from the roof was levelled by nobody and need
        // not be.
        $isHeld =
            $layout->run->tieIn->branch !== null ||
            $layout->run->tieIn->next !== null ||
            $layout->run->outlet->isOpenToAir();
        if (! $layout->isWhole() || $layout->legs === [] || ($isHeld && $layout->run->levelDifference === null)) {
            return [];
        }
        $where = new Where(
            count($layout->legs),
            $layout->run->legs[count($layout->legs) - 1]->id,
            tapeMm: $layout->tapeMm,
        );
        [$left, $fall] = [$layout->remainingMm(), $layout->fallMm()];
        $names = ['tie_in' => $layout->run->tieIn->thing()];
        if ($left === null) {
            $names += ['fall_mm' => $fall];

            return [new Finding(RuleId::RunNotLevelled, Severity::Unknown, $where, $fall, null, $names)];
        }

        return match (true) {
            $left < -self::READING_MM => [
                new Finding(RuleId::RunBelow, Severity::Stop, $where, $fall, $fall + $left, $names + [
                    'missing_mm' => -$left,
                ]),
            ],
            $left > self::READING_MM => [
                new Finding(RuleId::RunInHand, Severity::Note, $where, $fall, $fall + $left, $names + [
                    'left_mm' => $left,
                ]),
            ],
            default => [],
        };
    }
}
