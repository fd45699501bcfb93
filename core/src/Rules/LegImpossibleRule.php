<?php

declare(strict_types=1);

namespace FallBend\Core\Rules;

use FallBend\Core\Catalog\Rulebook;
use FallBend\Core\Layout\LegLaid;
use FallBend\Core\Layout\RunLayout;
use FallBend\Core\Verdict\Finding;
use FallBend\Core\Verdict\RuleId;
use FallBend\Core\Verdict\Severity;
use FallBend\Core\Verdict\Where;

/** A leg so short that the fittings at its ends would overlap: no pipe can stand between them at all. */
final readonly class LegImpossibleRule implements Rule
{
    public const ID = RuleId::LegImpossible;

    public function judge(RunLayout $layout, Rulebook $rulebook): array
    {
        $short = array_filter(
            $layout->legs,
            static fn (LegLaid $leg): bool => ! $leg->line->leg->isClose && $leg->spanMm < 0,
        );

        $finding = static fn (LegLaid $leg): Finding => self::finding(self::ID, $leg, null);

        return array_map($finding, array_values($short));
    }

    /**
     * The finding of a leg that is too short, with what would do: a longer leg, or the next fitting standing in this
     * one.
     */
    public static function finding(RuleId $rule, LegLaid $leg, ?string $piece): Finding
    {
        $needed = $leg->centreMm + $leg->shortfallMm();
        $params = [
            'shortfall_mm' => $leg->shortfallMm(),
            'needed_atleast_mm' => $leg->line->leg->isToStop ? $leg->leastMm : $needed,
            'span_mm' => $leg->spanMm,
        ];

        return new Finding(
            $rule,
            Severity::Stop,
            new Where($leg->line->number, $leg->line->leg->id, $piece, tapeMm: $leg->tapeMm + $leg->centreMm / 2),
            $leg->spanMm,
            $leg->leastMm,
            $leg->closeMm === null ? $params : $params + ['close_mm' => $leg->closeMm],
        );
    }
}
