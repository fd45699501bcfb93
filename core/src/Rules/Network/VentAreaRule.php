<?php

declare(strict_types=1);

namespace FallBend\Core\Rules\Network;

use FallBend\Core\Catalog\Nominal;
use FallBend\Core\Catalog\Rulebook;
use FallBend\Core\Job\RunEndKind;
use FallBend\Core\Measure\Tolerance;
use FallBend\Core\Network\Network;
use FallBend\Core\Network\Segment;
use FallBend\Core\Network\Sizing;
use FallBend\Core\Verdict\Finding;
use FallBend\Core\Verdict\RuleId;
use FallBend\Core\Verdict\Severity;

/** All vents of a building together are as open as the largest drain that it needs (UPC 904.1). */
final readonly class VentAreaRule implements NetworkRule
{
    public const ID = RuleId::VentAggregate;

    public function judge(Network $network, Rulebook $rulebook): array
    {
        $share = $rulebook->limit('vent.aggregate');
        $isWhole = $network->layout->job->building->isWhole;
        $drain = $share?->value === null || $isWhole === false ? null : self::largest($network, $rulebook);
        if ($share === null || $drain === null) {
            return [];
        }
        [$segment, $needed] = $drain;
        $area = 0.0;
        foreach ($network->nodes as $node) {
            $end = $node->end?->kind === RunEndKind::Roof ? $network->out($node)[0] ?? null : null;
            $area += $end === null ? 0.0 : self::area($end->stretches[0]->leg->line->size ?? $end->size());
        }
        $least = self::area($needed) * ($share->value ?? 1.0);
        if ($area === 0.0 || ! Tolerance::isUnder($area, $least, 1.0)) {
            // Where no vent of it goes through a roof, that is said elsewhere.
            return [];
        }

        $where = $network->whereOf($segment);
        $params = ['size' => $needed, 'percent' => (int) round(($area / $least) * 100)];

        return [$isWhole === null
            ? Asked::of(RuleId::BuildingWhole, $where, $share)
            : new Finding(self::ID, Severity::Stop, $where, $area, $least, $params, $share->provenance)];
    }

    /** @return array{Segment, string}|null the drain that the largest size is needed of, and that size */
    private static function largest(Network $network, Rulebook $rulebook): ?array
    {
        $sizing = new Sizing($network, $rulebook);
        $largest = null;
        foreach ($network->segments as $segment) {
            if (! $segment->isWet || $network->drain($segment->down) !== null) {
                continue;
            }
            $check = $sizing->checks($segment)[0] ?? null;
            $size = $check === null ? null : $sizing->proposed($segment, $check);
            if ($size !== null && ($largest === null || Nominal::mm($size) > Nominal::mm($largest[1]))) {
                $largest = [$segment, $size];
            }
        }

        return $largest;
    }

    /** Gives the area of the bore of a nominal size in mm². */
    private static function area(string $size): float
    {
        return (M_PI / 4) * Nominal::mm($size) ** 2;
    }
}
