<?php

declare(strict_types=1);

namespace FallBend\Core\Rules;

use FallBend\Core\Catalog\Rulebook;
use FallBend\Core\Layout\RunLayout;
use FallBend\Core\Verdict\RuleId;

/** A piece that is shorter than its two sockets are deep: the lips of the fittings meet before the pipe is home. */
final readonly class PieceTooShortRule implements Rule
{
    public const ID = RuleId::PieceTooShort;

    public function judge(RunLayout $layout, Rulebook $rulebook): array
    {
        $letters = [];
        foreach ($layout->pieces as $piece) {
            $letters[$piece->key] = $piece->letter;
        }
        $findings = [];
        foreach ($layout->legs as $leg) {
            if (! $leg->line->leg->isClose && $leg->spanMm >= 0 && $leg->spanMm < $leg->leastMm - 0.005) {
                $findings[] = LegImpossibleRule::finding(self::ID, $leg, $letters[$leg->pieces[0] ?? ''] ?? null);
            }
        }

        return $findings;
    }
}
