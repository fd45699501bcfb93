<?php

declare(strict_types=1);

namespace FallBend\Core\Rules;

use FallBend\Core\Catalog\Rulebook;
use FallBend\Core\Catalog\StraightFitting;
use FallBend\Core\Layout\RunLayout;
use FallBend\Core\Verdict\Finding;
use FallBend\Core\Verdict\RuleId;
use FallBend\Core\Verdict\Severity;
use FallBend\Core\Verdict\Where;

/**
 * A cut length that rests on a number nobody stated: the fitting is to be measured. One finding for each row of the
 * catalogue.
 */
final readonly class DoubtfulNumberRule implements Rule
{
    public const ID = RuleId::CatalogueDoubtful;

    public function judge(RunLayout $layout, Rulebook $rulebook): array
    {
        $findings = [];
        foreach ($layout->fittings as $fitting) {
            $part = $fitting->part;
            // Of bends and branch fittings ReckonedLengthRule says it, with what hangs on it.
            if (! $part instanceof StraightFitting || ! $part->provenance->isDoubtful()) {
                continue;
            }
            $taken = $part->acrossMm;
            $findings[$part->id] ??= new Finding(
                self::ID,
                Severity::Note,
                new Where($fitting->leg, $layout->run->legs[$fitting->leg - 1]->id),
                $taken,
                null,
                [
                    'fitting' => $part->pattern === 'bushing' ? $part->name : "{$part->size} {$part->name}",
                    'row' => $part->id,
                    'take_mm' => $taken,
                    'status' => $part->provenance->status,
                ],
                $part->provenance,
            );
        }

        return array_values($findings);
    }
}
