<?php

declare(strict_types=1);

namespace FallBend\Core\Rules\Network;

use FallBend\Core\Catalog\FixtureKind;
use FallBend\Core\Catalog\Rulebook;
use FallBend\Core\Catalog\Threshold;
use FallBend\Core\Measure\Tolerance;
use FallBend\Core\Network\LoadedFixture;
use FallBend\Core\Network\Network;
use FallBend\Core\Network\Segment;
use FallBend\Core\Verdict\Finding;
use FallBend\Core\Verdict\RuleId;
use FallBend\Core\Verdict\Severity;
use FallBend\Core\Verdict\Where;

/**
 * Suds that come down a stack stand above its foot: nothing enters there, but in the house of one family and in low
 * buildings (UPC 711).
 */
final readonly class SudsRule implements NetworkRule
{
    public const ID = RuleId::StackSuds;

    private const KINDS = [
        FixtureKind::Bath,
        FixtureKind::KitchenSink,
        FixtureKind::LaundryTub,
        FixtureKind::ClothesWasher,
        FixtureKind::Dishwasher,
    ];

    public function judge(Network $network, Rulebook $rulebook): array
    {
        $up = $rulebook->limit('suds.up');
        $building = $network->layout->job->building;
        if ($up?->value === null || $building->isOneFamily === true || self::isLow($network, $rulebook)) {
            return [];
        }
        $findings = [];
        foreach ($network->stacks() as $stack) {
            $segments = $network->ofRun($stack->layout->run->id);
            foreach ($stack->branches as $branch) {
                $above = $branch->z - $stack->footZ();
                if (
                    ! Tolerance::isUnder($above, $up->value, Tolerance::TAPE_MM) ||
                    ! self::hasSudsAbove($segments, $branch->tapeMm)
                ) {
                    continue;
                }
                $entering = $network->layout->runs[$branch->run()] ?? null;
                $where = $network->where($branch->run(), $entering->tapeMm ?? 0.0);
                if ($building->isOneFamily === null) {
                    return [Asked::of(RuleId::BuildingOneFamily, $where, $up)];
                }
                if ($building->storeys === null) {
                    return [Asked::of(RuleId::BuildingStoreys, $where, $rulebook->limit('suds.storeys-from'))];
                }
                $params = ['above_mm' => $above, 'branch' => $entering->run->name ?? ''];
                $findings[] = self::found($params, $up, $where);
            }
        }

        return $findings;
    }

    /** @param array{above_mm: float, branch: string} $params */
    private static function found(array $params, Threshold $least, Where $where): Finding
    {
        return new Finding(
            self::ID,
            Severity::Stop,
            $where,
            $params['above_mm'],
            $least->value,
            $params + ['least_mm' => $least->value ?? 0.0],
            $least->provenance,
        );
    }

    /** Whether the building has so few storeys that the book does not ask. */
    private static function isLow(Network $network, Rulebook $rulebook): bool
    {
        $storeys = $network->layout->job->building->storeys;
        $from = $rulebook->limit('suds.storeys-from')->value ?? 0.0;

        return $storeys !== null && $storeys < $from;
    }

    /**
     * Whether a fixture with suds discharges into a stack above a place on its tape.
     *
     * @param list<Segment> $segments of the stack
     */
    private static function hasSudsAbove(array $segments, float $tapeMm): bool
    {
        $isSudsy = static fn (LoadedFixture $head): bool => in_array($head->fixture->kind, self::KINDS, true);
        foreach ($segments as $segment) {
            if ($segment->fromMm < $tapeMm && array_filter($segment->heads, $isSudsy) !== []) {
                return true;
            }
        }

        return false;
    }
}
