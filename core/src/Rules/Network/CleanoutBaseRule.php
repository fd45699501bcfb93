<?php

declare(strict_types=1);

namespace FallBend\Core\Rules\Network;

use FallBend\Core\Catalog\Rulebook;
use FallBend\Core\Job\RunUse;
use FallBend\Core\Measure\Tolerance;
use FallBend\Core\Network\Network;
use FallBend\Core\Verdict\Finding;
use FallBend\Core\Verdict\RuleId;
use FallBend\Core\Verdict\Severity;

/** A stack has a cleanout at its foot: required where the rulebook says so, cheap insurance everywhere else. */
final readonly class CleanoutBaseRule implements NetworkRule
{
    public const ID = RuleId::CleanoutBase;

    public function judge(Network $network, Rulebook $rulebook): array
    {
        $required = $rulebook->allows('cleanout.base');
        [$height, $within] = [$rulebook->number('stack.foot-height'), $rulebook->number('cleanout.base-within')];
        $findings = [];
        foreach ($network->layout->runs as $id => $layout) {
            foreach ($layout->run->use === RunUse::Vent ? [] : $layout->legs as $i => $leg) {
                $next = $layout->legs[$i + 1] ?? null;
                $isFoot =
                    $next !== null &&
                    $leg->line->direction->z < 0 &&
                    $leg->isUpright() &&
                    ! $next->isUpright() &&
                    isset($layout->site->onLegs[$leg->line->leg->id]) &&
                    Tolerance::isOver($leg->centreMm, $height, Tolerance::TAPE_MM);
                if ($isFoot && ! Access::isNear($network->obstacles[$id] ?? [], $layout, $next->tapeMm, $within)) {
                    $findings[] = new Finding(
                        $required ? self::ID : RuleId::CleanoutBaseSuggested,
                        $required ? Severity::Warn : Severity::Note,
                        $network->where($id, $next->tapeMm),
                        source: $rulebook->source('cleanout.base'),
                    );
                }
            }
        }

        return $findings;
    }
}
