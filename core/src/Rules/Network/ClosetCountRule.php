<?php

declare(strict_types=1);

namespace FallBend\Core\Rules\Network;

use FallBend\Core\Catalog\Rulebook;
use FallBend\Core\Network\Network;
use FallBend\Core\Verdict\Finding;
use FallBend\Core\Verdict\RuleId;
use FallBend\Core\Verdict\Severity;

/** No more water closets discharge into a pipe than the rulebook lets into its size. */
final readonly class ClosetCountRule implements NetworkRule
{
    public const ID = RuleId::ClosetCount;

    public function judge(Network $network, Rulebook $rulebook): array
    {
        $findings = [];
        foreach ($network->segments as $segment) {
            foreach ($segment->closets === 0 ? [] : $segment->stretches as $stretch) {
                $most = $rulebook->forSize(
                    $stretch->isUpright() ? 'closet.stack-most' : 'closet.level-most',
                    $stretch->leg->line->size,
                );
                if ($most?->value !== null && $segment->closets > $most->value) {
                    $findings[] = new Finding(
                        self::ID,
                        Severity::Stop,
                        $network->where($segment->run(), $stretch->tapeMm()),
                        $segment->closets,
                        $most->value,
                        [
                            'closets' => $segment->closets,
                            'most' => (int) $most->value,
                            'size' => $stretch->leg->line->size,
                            'lies' => $stretch->isUpright() ? 'upright' : 'level',
                        ],
                        $most->provenance,
                    );
                    break;
                }
            }
        }

        return $findings;
    }
}
