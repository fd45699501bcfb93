<?php

declare(strict_types=1);

namespace FallBend\Core\Rules\Network;

use FallBend\Core\Catalog\Rulebook;
use FallBend\Core\Measure\Tolerance;
use FallBend\Core\Network\Network;
use FallBend\Core\Verdict\Finding;
use FallBend\Core\Verdict\RuleId;
use FallBend\Core\Verdict\Severity;

/** A vent drains back: nowhere does it fall away from the drain that it serves, where water would stand and shut it. */
final readonly class VentSagRule implements NetworkRule
{
    public const ID = RuleId::VentSag;

    /** What no level shows, in mm per m. */
    private const SLACK = 0.1;

    public function judge(Network $network, Rulebook $rulebook): array
    {
        $findings = [];
        foreach ($network->segments as $segment) {
            foreach ($segment->isWet || ! $segment->hasAirAbove ? [] : $segment->stretches as $stretch) {
                if (Tolerance::isUnder($stretch->fallMmPerM(), 0.0, self::SLACK)) {
                    $findings[] = new Finding(
                        self::ID,
                        Severity::Stop,
                        $network->where($segment->run(), $stretch->tapeMm()),
                        params: ['vent' => $segment->layout->run->name, 'rise_mm' => -$stretch->dropMm()],
                        source: $rulebook->source('vent.rise-least'),
                    );
                }
            }
        }

        return $findings;
    }
}
