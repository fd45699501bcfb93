<?php

declare(strict_types=1);

namespace FallBend\Core\Rules;

use FallBend\Core\Catalog\Catalogue;
use FallBend\Core\Catalog\Rulebook;
use FallBend\Core\Layout\RunLayout;
use FallBend\Core\Verdict\Finding;
use FallBend\Core\Verdict\RuleId;
use FallBend\Core\Verdict\Severity;
use FallBend\Core\Verdict\Where;

/** A fitting that stands in a fitting makes one length only: what is called out beside it must be that. */
final readonly class CloseLengthRule implements Rule
{
    public const ID = RuleId::LegCloseLength;

    public function __construct(private Catalogue $catalogue) {}

    public function judge(RunLayout $layout, Rulebook $rulebook): array
    {
        $slack = $this->catalogue->assumption('street-slack');
        $findings = [];
        foreach ($layout->legs as $leg) {
            if ($leg->line->leg->isClose && abs($leg->spanMm) > $slack->value) {
                $findings[] = new Finding(
                    self::ID,
                    Severity::Stop,
                    new Where($leg->line->number, $leg->line->leg->id, tapeMm: $leg->tapeMm),
                    $leg->centreMm,
                    null,
                    [
                        'called_mm' => $leg->centreMm,
                        'made_mm' => $leg->centreMm - $leg->spanMm,
                        'difference_mm' => abs($leg->spanMm),
                    ],
                    $slack->provenance,
                );
            }
        }

        return $findings;
    }
}
