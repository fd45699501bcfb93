<?php

declare(strict_types=1);

namespace FallBend\Core\Rules\Network;

use FallBend\Core\Catalog\Rulebook;
use FallBend\Core\Catalog\Threshold;
use FallBend\Core\Network\Arm;
use FallBend\Core\Network\Network;
use FallBend\Core\Network\Segment;
use FallBend\Core\Venting\CombinationDrain;
use FallBend\Core\Verdict\Finding;
use FallBend\Core\Verdict\RuleId;
use FallBend\Core\Verdict\Severity;
use FallBend\Core\Verdict\Where;

/** A dry vent serves the drain of one fixture, or one that a second shares: not one that many ran into before it. */
final readonly class VentSharedRule implements NetworkRule
{
    public const ID = RuleId::VentShared;

    public function judge(Network $network, Rulebook $rulebook): array
    {
        $most = $rulebook->limit('common-vent.fixtures-most');
        if ($most?->value === null) {
            return [];
        }
        $findings = [];
        foreach ($network->heads as $head) {
            $arm = $network->arm($head);
            $drain = $arm === null || $arm->by === null || $arm->by->isWet ? null : $arm->last();
            // Said once of a drain, of the first that runs into it.
            if ($arm !== null && $drain !== null && count($drain->heads) > $most->value && $drain->heads[0] === $head) {
                $tried = (new CombinationDrain($network, $rulebook))->tried($arm);
                if ($tried?->carries() !== true) {
                    $open = $tried?->isOpen() === true ? $tried->row : null;
                    $findings[] = self::found($arm, $drain, $most, $open)->at($network->whereOf($drain));
                }
            }
        }

        return $findings;
    }

    private static function found(Arm $arm, Segment $drain, Threshold $most, ?Threshold $open): Finding
    {
        return new Finding(
            $open === null ? self::ID : RuleId::VentSharedNotJudged,
            $open === null ? Severity::Stop : Severity::Unknown,
            new Where,
            count($drain->heads),
            $most->value,
            [
                'count' => count($drain->heads),
                'most' => (int) $most->value,
                'vent' => $arm->by->layout->run->name ?? '',
                'method' => $open->title ?? '',
            ],
            ($open ?? $most)->provenance,
        );
    }
}
