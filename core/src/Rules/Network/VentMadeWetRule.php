<?php

declare(strict_types=1);

namespace FallBend\Core\Rules\Network;

use FallBend\Core\Catalog\Rulebook;
use FallBend\Core\Network\Network;
use FallBend\Core\Verdict\Finding;
use FallBend\Core\Verdict\RuleId;
use FallBend\Core\Verdict\Severity;

/**
 * What was called out as a vent carries no waste: whatever discharges into it makes it a drain, that needs the size,
 * the fittings and the fall of one.
 */
final readonly class VentMadeWetRule implements NetworkRule
{
    public const ID = RuleId::VentMadeWet;

    public function judge(Network $network, Rulebook $rulebook): array
    {
        $findings = [];
        foreach ($network->segments as $segment) {
            if ($segment->isCalledVent() && $segment->isWet) {
                $findings[] = new Finding(
                    self::ID,
                    Severity::Stop,
                    $network->whereOf($segment),
                    params: [
                        'vent' => $segment->layout->run->name,
                        'fixture' => $segment->heads[0]->name ?? 'something',
                        'more' => max(0, count($segment->heads) - 1),
                    ],
                    source: $rulebook->source('vent.by-stack'),
                );
            }
        }

        return $findings;
    }
}
