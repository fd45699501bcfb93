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
 * Pieces that end in a fitting whose length is reckoned are cut long by what it may be off, and trimmed. Measuring one
 * such fitting makes all of them exact: one finding for each row of the catalogue, with how many pieces of the run it
 * is about. The fitting may be one of another run that this one ends in.
 */
final readonly class ReckonedLengthRule implements Rule
{
    public const ID = RuleId::FittingReckoned;

    public function judge(RunLayout $layout, Rulebook $rulebook): array
    {
        [$parts, $pieces] = [[], []];
        foreach ($layout->pieces as $piece) {
            foreach ($piece->doubt->parts ?? [] as $part) {
                $key = "{$part->provenance->table} {$part->id}";
                $parts[$key] ??= [$part, $layout->legs[$piece->leg - 1]];
                $pieces[$key][$piece->key] = true;
            }
        }
        $findings = [];
        foreach ($parts as $key => [$part, $leg]) {
            $findings[] = new Finding(
                self::ID,
                Severity::Note,
                new Where($leg->line->number, $leg->line->leg->id, tapeMm: $leg->tapeMm),
                $part->mostDoubtMm(),
                null,
                [
                    'fitting' => "{$part->sizeInWords()} {$part->name}",
                    'system' => $part->provenance->table,
                    'row' => $part->id,
                    'like' => $part->measuredLike(),
                    'pieces' => count($pieces[$key]),
                    'doubt_mm' => $part->mostDoubtMm(),
                ],
                $part->provenance,
            );
        }

        return $findings;
    }
}
