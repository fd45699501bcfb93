<?php

declare(strict_types=1);

namespace FallBend\Core\Rules\Network;

use FallBend\Core\Catalog\Rulebook;
use FallBend\Core\Network\Network;
use FallBend\Core\Verdict\Finding;
use FallBend\Core\Verdict\RuleId;
use FallBend\Core\Verdict\Severity;

/**
 * Where the building code's rules for timber do not stand here whole, a hole that none of those here refuses is not
 * thereby allowed.
 */
final readonly class TimberUnjudgedRule implements NetworkRule
{
    public const ID = RuleId::TimberNotJudged;

    public function judge(Network $network, Rulebook $rulebook): array
    {
        $judged = $rulebook->limit('timber.judged');
        if ($judged?->verdict !== 'no') {
            return [];
        }
        $findings = [];
        foreach ($network->crossings as $c) {
            if ($c->isTimber()) {
                $where = $network->where($c->obstacle->run, $c->tapeMm);
                $findings[] = new Finding(
                    self::ID,
                    Severity::Unknown,
                    $where,
                    params: ['what' => $c->name()],
                    source: $judged->provenance,
                );
            }
        }

        return $findings;
    }
}
