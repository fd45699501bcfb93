<?php

declare(strict_types=1);

namespace FallBend\Core\Hanging;

use FallBend\Core\Verdict\Finding;
use FallBend\Core\Verdict\RuleId;
use FallBend\Core\Verdict\Severity;
use FallBend\Core\Verdict\Where;

/** The verdict on water that stays in the sag of a pipe. */
final class SagFindings
{
    /**
     * @param array{depth_mm: float, over_mm: float, from_mm: float}|null $pocket what `Beam::pocket` gives; null: none
     * @return list<Finding>
     */
    public static function ponds(?array $pocket, Where $where): array
    {
        return $pocket === null
            ? []
            : [
                new Finding(RuleId::SagPonds, Severity::Warn, $where, $pocket['depth_mm'], 0.0, [
                    'depth_mm' => $pocket['depth_mm'],
                    'length_mm' => $pocket['over_mm'] - $pocket['from_mm'],
                ]),
            ];
    }
}
