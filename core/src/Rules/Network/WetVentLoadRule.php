<?php

declare(strict_types=1);

namespace FallBend\Core\Rules\Network;

use FallBend\Core\Catalog\Nominal;
use FallBend\Core\Catalog\Rulebook;
use FallBend\Core\Measure\Tolerance;
use FallBend\Core\Network\Arm;
use FallBend\Core\Network\Network;
use FallBend\Core\Verdict\Finding;
use FallBend\Core\Verdict\RuleId;
use FallBend\Core\Verdict\Severity;

/** A wet vent carries no more, and is no smaller, than the rulebook lets it. */
final readonly class WetVentLoadRule implements NetworkRule
{
    public const ID = RuleId::WetventLoad;

    public function judge(Network $network, Rulebook $rulebook): array
    {
        $findings = [];
        if ($rulebook->value('vent.by-stack') >= 1) {
            return [];
        }
        $vents = new WetVents($network, $rulebook);
        foreach ($network->segments as $segment) {
            if (! $segment->isVent || ! $segment->isWet || ! $segment->isLoadKnown) {
                continue;
            }
            if (
                array_filter(
                    $network->vents($segment),
                    static fn (Arm $arm): bool => $arm->by === $segment && ! $vents->isCommonVent($arm),
                ) === []
            ) {
                continue;
            }
            $where = $network->whereOf($segment);
            $most = $rulebook->forSize('wet-vent.load-most', $segment->size());
            $least = $rulebook->limit('wet-vent.size-least');
            if ($least?->value !== null && Nominal::mm($segment->size()) < $least->value - Tolerance::NOMINAL_MM) {
                $findings[] = new Finding(
                    RuleId::WetventSize,
                    Severity::Stop,
                    $where,
                    Nominal::mm($segment->size()),
                    $least->value,
                    ['size' => $segment->size(), 'least_mm' => $least->value],
                    $least->provenance,
                );
            } elseif ($most?->value === null) {
                $findings[] = new Finding(
                    RuleId::WetventLoadNotKnown,
                    Severity::Unknown,
                    $where,
                    $segment->load,
                    null,
                    ['size' => $segment->size(), 'book' => $rulebook->name],
                );
            } elseif ($segment->load > $most->value + Tolerance::SUM) {
                $findings[] = new Finding(
                    self::ID,
                    Severity::Stop,
                    $where,
                    $segment->load,
                    $most->value,
                    ['size' => $segment->size(), 'load' => (string) $segment->load, 'most' => (string) $most->value],
                    $most->provenance,
                );
            }
        }

        return $findings;
    }
}
