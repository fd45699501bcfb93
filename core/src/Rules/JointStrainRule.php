<?php

declare(strict_types=1);

namespace FallBend\Core\Rules;

use FallBend\Core\Catalog\Catalogue;
use FallBend\Core\Catalog\Rulebook;
use FallBend\Core\Layout\Fitting;
use FallBend\Core\Layout\RunLayout;
use FallBend\Core\Measure\Tolerance;
use FallBend\Core\Verdict\Finding;
use FallBend\Core\Verdict\RuleId;
use FallBend\Core\Verdict\Severity;
use FallBend\Core\Verdict\Where;

/**
 * A fitting that turns more or less than its legs do: its joints give a little, and beyond that play they are strained.
 */
final readonly class JointStrainRule implements Rule
{
    public const ID = RuleId::JointStrain;

    public function __construct(private Catalogue $catalogue) {}

    public function judge(RunLayout $layout, Rulebook $rulebook): array
    {
        $play = $this->catalogue->jointPlay($layout->system);
        $numbers = [];
        foreach ($layout->joints as $joint) {
            $numbers[$joint->fitting ?? ''] ??= $joint;
        }
        $strained = array_filter(
            $layout->fittings,
            static fn (Fitting $fitting): bool => Tolerance::isOver(
                $fitting->strainDeg,
                $play->value,
                Tolerance::ROUNDING,
            ),
        );

        return array_values(
            array_map(
                static fn (Fitting $fitting): Finding => new Finding(
                    self::ID,
                    Severity::Stop,
                    new Where(
                        $fitting->leg,
                        $layout->run->legs[$fitting->leg - 1]->id,
                        joint: $numbers[$fitting->key]->number ?? null,
                        tapeMm: $numbers[$fitting->key]->tapeMm ?? null,
                    ),
                    $fitting->strainDeg,
                    $play->value,
                    [
                        'strain_deg' => $fitting->strainDeg,
                        'play_deg' => $play->value,
                        'fitting' => $fitting->part->name,
                    ],
                    $play->provenance,
                ),
                $strained,
            ),
        );
    }
}
