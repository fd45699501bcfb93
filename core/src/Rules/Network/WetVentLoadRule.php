<?php

declare(strict_types=1);

namespace FallBend\Core\Rules\Network;

use FallBend\Core\Catalog\Nominal;
use FallBend\Core\Catalog\Rulebook;
use FallBend\Core\Measure\Tolerance;
use FallBend\Core\Network\Arm;
use FallBend\Core\Network\Network;
use FallBend\Core\Network\Segment;
use FallBend\Core\Venting\VentMethod;
use FallBend\Core\Venting\Vents;
use FallBend\Core\Verdict\Finding;
use FallBend\Core\Verdict\RuleId;
use FallBend\Core\Verdict\Severity;
use FallBend\Core\Verdict\Where;

/** A wet vent carries no more, and is no smaller, than the rulebook lets it. */
final readonly class WetVentLoadRule implements NetworkRule
{
    public const ID = RuleId::WetventLoad;

    private const OF_BATHROOMS = [VentMethod::Wet, VentMethod::VerticalWet];

    public function judge(Network $network, Rulebook $rulebook): array
    {
        // A book that has a table of its own for wet vents is held against it where the way of venting is found.
        if ($rulebook->topic('wet-vent.load-most') === []) {
            return [];
        }
        $findings = [];
        $vents = new Vents($network, $rulebook);
        foreach ($network->segments as $segment) {
            if (! $segment->isVent || ! $segment->isWet || ! $segment->isLoadKnown) {
                continue;
            }
            $isWetVent = static fn (Arm $arm): bool => $arm->by === $segment &&
                in_array($vents->method($arm), self::OF_BATHROOMS, true);
            if (array_filter($network->vents($segment), $isWetVent) !== []) {
                array_push($findings, ...self::judgeSegment($segment, $network->whereOf($segment), $rulebook));
            }
        }

        return $findings;
    }

    /** @return list<Finding> */
    private static function judgeSegment(Segment $segment, Where $where, Rulebook $rulebook): array
    {
        $size = $segment->size();
        [$least, $most] = [$rulebook->limit('wet-vent.size-least'), $rulebook->forSize('wet-vent.load-most', $size)];
        $nominal = Nominal::mm($size);
        if ($least?->value !== null && Tolerance::isUnder($nominal, $least->value, Tolerance::NOMINAL_MM)) {
            $params = ['size' => $size, 'least_mm' => $least->value];

            return [new Finding(
                RuleId::WetventSize,
                Severity::Stop,
                $where,
                $nominal,
                $least->value,
                $params,
                $least->provenance,
            )];
        }
        if ($most?->value === null) {
            $params = ['size' => $size, 'book' => $rulebook->name];

            return [new Finding(RuleId::WetventLoadNotKnown, Severity::Unknown, $where, $segment->load, null, $params)];
        }
        $params = ['size' => $size, 'load' => (string) $segment->load, 'most' => (string) $most->value];

        return ! Tolerance::isOver($segment->load, $most->value, Tolerance::SUM) ? [] : [new Finding(
            self::ID,
            Severity::Stop,
            $where,
            $segment->load,
            $most->value,
            $params,
            $most->provenance,
        )];
    }
}
