<?php

declare(strict_types=1);

namespace FallBend\Core\Rules\Network;

use FallBend\Core\Catalog\Rulebook;
use FallBend\Core\Layout\Orientation;
use FallBend\Core\Network\Network;
use FallBend\Core\Network\Segment;
use FallBend\Core\Verdict\Finding;
use FallBend\Core\Verdict\RuleId;
use FallBend\Core\Verdict\Severity;

/**
 * A vent leaves a level drain above its middle, and no flatter than the rulebook allows, so that nothing settles in it.
 */
final readonly class VentTakeoffRule implements NetworkRule
{
    public const ID = RuleId::VentTakeoff;

    public function judge(Network $network, Rulebook $rulebook): array
    {
        $least = $rulebook->limit('vent.takeoff-least');
        $findings = [];
        if ($least?->value === null) {
            return [];
        }
        foreach ($network->segments as $segment) {
            $node = $segment->down;
            if (
                $segment->isWet ||
                ! $segment->isVent ||
                $segment->stretches === [] ||
                $node->junction === null ||
                $node->junction->isTurn() ||
                $node->run === $segment->run()
            ) {
                continue;
            }
            $leg = $segment->stretches[count($segment->stretches) - 1];
            $angle = rad2deg(asin(max(-1.0, min(1.0, -$leg->flow()->z))));
            if (
                $angle >= $least->value - 1.0 ||
                Orientation::isUpright($node->junction->flow) ||
                array_filter($network->in($node), static fn (Segment $s): bool => $s->isWet) === []
            ) {
                continue;
            }
            $findings[] = new Finding(
                self::ID,
                Severity::Stop,
                $network->where($segment->run(), $segment->isReversed ? $segment->fromMm : $segment->toMm),
                $angle,
                $least->value,
                ['angle_deg' => round($angle, 1), 'least_deg' => $least->value, 'vent' => $segment->layout->run->name],
                $least->provenance,
            );
        }

        return $findings;
    }
}
