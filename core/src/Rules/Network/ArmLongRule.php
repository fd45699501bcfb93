<?php

declare(strict_types=1);

namespace FallBend\Core\Rules\Network;

use FallBend\Core\Catalog\Rulebook;
use FallBend\Core\Catalog\Threshold;
use FallBend\Core\Network\Arm;
use FallBend\Core\Network\Network;
use FallBend\Core\Rules\Finding;
use FallBend\Core\Rules\Severity;
use FallBend\Core\Rules\Where;

/** A trap arm is no longer than the rulebook allows for its size: further on the water would fill the pipe and draw the seal after it. */
final readonly class ArmLongRule implements NetworkRule
{
    public const ID = 'arm.long';

    public function judge(Network $network, Rulebook $rulebook): array
    {
        $findings = [];
        foreach ($network->heads as $head) {
            $arm = $head->arm;
            if ($arm === null || $arm->vent === null || $arm->vent->end?->kind === 'gully' && $head->isCloset()) {
                continue;
            }
            $most = self::most($arm, $rulebook);
            if ($most === null) {
                $where = self::where($arm, $network);
                $findings[] = new Finding('arm.mostNotKnown', Severity::Unknown, $where, $arm->lengthMm, null, ['fixture' => $head->name, 'size' => $arm->size(), 'book' => $rulebook->name, 'length_mm' => $arm->lengthMm]);
            } elseif ($most->value !== null && $most->value > 0 && $arm->lengthMm > $most->value + 0.5) {
                $where = self::where($arm, $network);
                $findings[] = new Finding(self::ID, Severity::Stop, $where, $arm->lengthMm, $most->value, ['length_mm' => $arm->lengthMm, 'most_mm' => $most->value, 'over_mm' => $arm->lengthMm - $most->value, 'fixture' => $head->name, 'size' => $arm->size()], $most->provenance);
            }
        }

        return $findings;
    }

    private static function where(Arm $arm, Network $network): Where
    {
        return $arm->vent === null || $arm->vent->junction !== null ? $network->where($arm->head->node->run, $arm->head->node->drain()->toMm ?? 0.0) : $network->whereNode($arm->vent);
    }

    /** Gives the threshold that an arm is judged by; null where the rulebook has none. A value of 0 stands for no limit. */
    public static function most(Arm $arm, Rulebook $rulebook): ?Threshold
    {
        return $arm->head->isCloset() ? $rulebook->limit('closet-arm.most') : $rulebook->forFixture('trap-arm.most', $arm->head->fixture->kind, $arm->size());
    }
}
