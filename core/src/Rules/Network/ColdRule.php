<?php

declare(strict_types=1);

namespace FallBend\Core\Rules\Network;

use FallBend\Core\Catalog\Nominal;
use FallBend\Core\Catalog\Rulebook;
use FallBend\Core\Job\ObstacleKind;
use FallBend\Core\Network\Network;
use FallBend\Core\Verdict\Finding;
use FallBend\Core\Verdict\RuleId;
use FallBend\Core\Verdict\Severity;

/** No trap and no drain stands where it can freeze. */
final readonly class ColdRule implements NetworkRule
{
    public function judge(Network $network, Rulebook $rulebook): array
    {
        $findings = [];
        foreach ($network->obstacles as $run => $obstacles) {
            $layout = $network->layout->runs[$run];
            foreach ($obstacles as $obstacle) {
                $leg = $obstacle->kind === ObstacleKind::Cold ? $layout->leg($obstacle->leg) : null;
                if ($leg !== null) {
                    $isTrap =
                        $layout->run->outlet->fixture !== null &&
                        $leg->line->number === 1 &&
                        $obstacle->atMm <= Nominal::mm($leg->line->size) * 2;
                    $findings[] = new Finding(
                        $isTrap ? RuleId::ColdTrap : RuleId::ColdPipe,
                        $isTrap ? Severity::Stop : Severity::Warn,
                        $network->where($run, $leg->tapeMm + $obstacle->atMm),
                        params: [
                            'what' => $obstacle->what === '' ? 'the cold stretch' : $obstacle->what,
                            'length_mm' => $obstacle->lengthMm ?? 0.0,
                        ],
                        source: $rulebook->source('cold.kept-warm'),
                    );
                }
            }
        }

        return $findings;
    }
}
