<?php

declare(strict_types=1);

namespace FallBend\Core\Rules;

use FallBend\Core\Catalog\Rulebook;
use FallBend\Core\Layout\RunLayout;
use FallBend\Core\Verdict\Finding;
use FallBend\Core\Verdict\RuleId;
use FallBend\Core\Verdict\Severity;
use FallBend\Core\Verdict\Where;

/** A turn that no fitting and no pair of the catalogue makes, or not the one that was asked for. */
final readonly class TurnImpossibleRule implements Rule
{
    public const ID = RuleId::TurnImpossible;

    public function judge(RunLayout $layout, Rulebook $rulebook): array
    {
        $findings = [];
        foreach ($layout->legs as $leg) {
            $trouble = $leg->turn?->trouble;
            if ($leg->turn !== null && $trouble !== null) {
                $findings[] = new Finding(
                    self::ID,
                    Severity::Stop,
                    new Where($leg->line->number, $leg->line->leg->id, tapeMm: $leg->tapeMm),
                    $leg->turn->angleDeg,
                    null,
                    ['angle_deg' => $leg->turn->angleDeg, 'trouble' => $trouble->value],
                );
            }
        }

        return $findings;
    }
}
