<?php

declare(strict_types=1);

namespace FallBend\Core\Rules;

use FallBend\Core\Catalog\Rulebook;
use FallBend\Core\Catalog\StraightFitting;
use FallBend\Core\Job\RunEndKind;
use FallBend\Core\Layout\RunLayout;
use FallBend\Core\Verdict\Finding;
use FallBend\Core\Verdict\RuleId;
use FallBend\Core\Verdict\Severity;
use FallBend\Core\Verdict\Where;

/** A run that starts from a trap adapter is of a size that the catalogue has one in. */
final readonly class AdapterMissingRule implements Rule
{
    public const ID = RuleId::RunNoAdapter;

    public function judge(RunLayout $layout, Rulebook $rulebook): array
    {
        $first = $layout->legs[0] ?? null;
        $adapters = $layout->system->trapAdapters->all();
        $sizes = array_map(static fn (StraightFitting $part): string => $part->size, $adapters);
        if (
            $layout->run->outlet->kind !== RunEndKind::TrapAdapter ||
            $first === null ||
            in_array($first->line->size, $sizes, true)
        ) {
            return [];
        }

        return [
            new Finding(
                self::ID,
                Severity::Stop,
                new Where(1, $first->line->leg->id, tapeMm: 0.0),
                params: ['size' => $first->line->size, 'sizes' => implode(', ', $sizes)],
            ),
        ];
    }
}
