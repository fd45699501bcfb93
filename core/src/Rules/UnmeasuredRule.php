<?php

declare(strict_types=1);

namespace FallBend\Core\Rules;

use FallBend\Core\Catalog\Bend;
use FallBend\Core\Catalog\Branch;
use FallBend\Core\Catalog\Rulebook;
use FallBend\Core\Layout\RunLayout;
use FallBend\Core\Verdict\Finding;
use FallBend\Core\Verdict\RuleId;
use FallBend\Core\Verdict\Severity;
use FallBend\Core\Verdict\Where;

/**
 * No piece is cut to a fitting whose take-off nobody states: it is to be measured first. One finding for each row of
 * the catalogue.
 */
final readonly class UnmeasuredRule implements Rule
{
    public const ID = RuleId::FittingUnmeasured;

    public function judge(RunLayout $layout, Rulebook $rulebook): array
    {
        $findings = [];
        foreach ($layout->fittings as $fitting) {
            $part = $fitting->part;
            if (
                ($part instanceof Bend && ! $part->isKnown) ||
                ($part instanceof Branch && ! ($part->isRunKnown && $part->isBranchKnown))
            ) {
                $leg = $layout->legs[$fitting->leg - 1];
                $findings[$part->id] ??= new Finding(
                    self::ID,
                    Severity::Unknown,
                    new Where($fitting->leg, $leg->line->leg->id, tapeMm: $leg->tapeMm),
                    params: ['fitting' => "{$part->size} {$part->name}", 'row' => $part->id],
                    source: $part->provenance,
                );
            }
        }

        return array_values($findings);
    }
}
