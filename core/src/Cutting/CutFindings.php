<?php

declare(strict_types=1);

namespace FallBend\Core\Cutting;

use FallBend\Core\Verdict\Finding;
use FallBend\Core\Verdict\RuleId;
use FallBend\Core\Verdict\Severity;
use FallBend\Core\Verdict\Where;

/** The verdict on a plan that does not cut everything. */
final class CutFindings
{
    /**
     * @param int $left kinds of parts that no stick is left for
     * @return list<Finding>
     */
    public static function notEnough(int $left): array
    {
        return $left <= 0
            ? []
            : [new Finding(RuleId::CutNotEnough, Severity::Stop, new Where, params: ['count' => $left])];
    }
}
