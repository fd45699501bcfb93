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
 * The size is never reduced in the direction of flow. A closet bend that comes down from its closet is no reduction
 * where a book says so.
 */
final readonly class SizeReducedRule implements Rule
{
    public const ID = RuleId::SizeReduced;

    public function judge(RunLayout $layout, Rulebook $rulebook): array
    {
        $findings = [];
        $source = $rulebook->source('reduction.downstream');
        for ($i = 1; $i < count($layout->legs); $i++) {
            [$before, $leg] = [$layout->legs[$i - 1]->line, $layout->legs[$i]];
            $isClosetBend = $leg->line->leg->fitting?->isClosetBend() === true && $layout->legs[$i - 1]->isUpright();
            if ($isClosetBend && $rulebook->allows('reduction.closet-bend')) {
                continue;
            }
            if ($layout->system->isLarger($before->size, $leg->line->size)) {
                $findings[] = new Finding(
                    $isClosetBend ? RuleId::ClosetBendNotKnown : self::ID,
                    $isClosetBend ? Severity::Unknown : Severity::Stop,
                    new Where($leg->line->number, $leg->line->leg->id, tapeMm: $leg->tapeMm),
                    $layout->system->pipe($leg->line->size)->boreMm,
                    $layout->system->pipe($before->size)->boreMm,
                    ['from' => $before->size, 'to' => $leg->line->size, 'book' => $rulebook->name],
                    $source,
                );
            }
        }

        return $findings;
    }
}
