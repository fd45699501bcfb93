<?php

declare(strict_types=1);

namespace FallBend\Core\Rules\Network;

use FallBend\Core\Catalog\Rulebook;
use FallBend\Core\Catalog\Threshold;
use FallBend\Core\Network\Arm;
use FallBend\Core\Network\Network;
use FallBend\Core\Verdict\Finding;
use FallBend\Core\Verdict\Severity;
use FallBend\Core\Verdict\Where;

/** A trap arm is no longer than the rulebook allows for its size: further on the water would fill the pipe and draw the seal after it. */
final readonly class ArmLongRule implements NetworkRule
{
    public const ID = 'arm.long';

    public function judge(Network $network, Rulebook $rulebook): array
    {
        $findings = [];
        foreach ($network->heads as $head) {
            $arm = $network->arm($head);
            if ($arm === null || $arm->vent === null || $arm->vent->end?->kind === 'gully' && $head->isCloset()) {
                continue;
            }
            $most = self::most($arm, $rulebook);
            $limit = self::limitMm($most);
            if ($most === null) {
                $where = self::where($arm, $network);
                $findings[] = new Finding('arm.mostNotKnown', Severity::Unknown, $where, $arm->lengthMm, null, ['fixture' => $head->name, 'size' => $arm->size(), 'book' => $rulebook->name, 'length_mm' => $arm->lengthMm]);
            } elseif ($limit !== null && self::isOver($arm, $limit)) {
                $where = self::where($arm, $network);
                $findings[] = new Finding(self::ID, Severity::Stop, $where, $arm->lengthMm, $limit, ['length_mm' => $arm->lengthMm, 'most_mm' => $limit, 'over_mm' => $arm->lengthMm - $limit, 'fixture' => $head->name, 'size' => $arm->size()], $most->provenance);
            }
        }

        return $findings;
    }

    private static function where(Arm $arm, Network $network): Where
    {
        return $arm->vent === null || $arm->vent->junction !== null ? $network->where($arm->head->node->run, $network->drain($arm->head->node)->toMm ?? 0.0) : $network->whereNode($arm->vent);
    }

    /** Gives the length in mm that a threshold of `most` allows; null where there is none, or no limit. */
    public static function limitMm(?Threshold $most): ?float
    {
        return $most?->value !== null && $most->value > 0 ? $most->value : null;
    }

    /** Whether an arm is longer than that, by more than half a millimetre. */
    public static function isOver(Arm $arm, float $limitMm): bool
    {
        return $arm->lengthMm > $limitMm + 0.5;
    }

    /** Gives the threshold that an arm is judged by; null where the rulebook has none. A value of 0 stands for no limit. */
    public static function most(Arm $arm, Rulebook $rulebook): ?Threshold
    {
        return $arm->head->isCloset() ? $rulebook->limit('closet-arm.most') : $rulebook->forFixture('trap-arm.most', $arm->head->fixture->kind, $arm->size());
    }
}
