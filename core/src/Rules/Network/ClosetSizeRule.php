<?php

declare(strict_types=1);

namespace FallBend\Core\Rules\Network;

use FallBend\Core\Catalog\Nominal;
use FallBend\Core\Catalog\Rulebook;
use FallBend\Core\Measure\Tolerance;
use FallBend\Core\Network\Network;
use FallBend\Core\Verdict\Finding;
use FallBend\Core\Verdict\RuleId;
use FallBend\Core\Verdict\Severity;

/** What a water closet discharges into is at least as large as the rulebook asks for. */
final readonly class ClosetSizeRule implements NetworkRule
{
    public const ID = RuleId::ClosetSize;

    public function judge(Network $network, Rulebook $rulebook): array
    {
        $least = $rulebook->limit('closet.size-least');
        $findings = [];
        if ($least?->value === null) {
            return [];
        }
        foreach ($network->segments as $segment) {
            foreach ($segment->closets === 0 ? [] : $segment->stretches as $stretch) {
                $nominal = Nominal::mm($stretch->leg->line->size);
                if (Tolerance::isUnder($nominal, $least->value, Tolerance::NOMINAL_MM)) {
                    $findings[] = new Finding(
                        self::ID,
                        Severity::Stop,
                        $network->where($segment->run(), $stretch->tapeMm()),
                        $nominal,
                        $least->value,
                        [
                            'size' => $stretch->leg->line->size,
                            'closets' => $segment->closets,
                            'least_mm' => $least->value,
                        ],
                        $least->provenance,
                    );
                    break;
                }
            }
        }

        return $findings;
    }
}
