<?php

declare(strict_types=1);

namespace FallBend\Core\Rules\Network;

use FallBend\Core\Catalog\Rulebook;
use FallBend\Core\Network\Network;
use FallBend\Core\Verdict\Finding;
use FallBend\Core\Verdict\RuleId;
use FallBend\Core\Verdict\Severity;

/** A plastic pipe through a part that is rated for fire is sealed by a listed system. */
final readonly class PenetrationRule implements NetworkRule
{
    public const ID = RuleId::PenetrationOpen;

    public function judge(Network $network, Rulebook $rulebook): array
    {
        $findings = [];
        foreach ($network->crossings as $c) {
            if ($c->obstacle->isRated && ! $c->obstacle->isSealed) {
                $material = $network->layout->runs[$c->obstacle->run]->system->material;
                $findings[] = new Finding(
                    self::ID,
                    Severity::Warn,
                    $network->where($c->obstacle->run, $c->tapeMm),
                    params: [
                        'what' => $c->name(),
                        'stuff' => in_array($material, ['iron', 'copper', 'steel', 'clay'], true) ? 'metal' : 'plastic',
                    ],
                    source: $rulebook->source('penetration.sealed'),
                );
            }
        }

        return $findings;
    }
}
