<?php

declare(strict_types=1);

namespace FallBend\Core\Rules\Network;

use FallBend\Core\Catalog\FixtureKind;
use FallBend\Core\Catalog\Rulebook;
use FallBend\Core\Catalog\Threshold;
use FallBend\Core\Job\FixtureGuard;
use FallBend\Core\Network\LoadedFixture;
use FallBend\Core\Network\Network;
use FallBend\Core\Verdict\Finding;
use FallBend\Core\Verdict\RuleId;
use FallBend\Core\Verdict\Severity;

/** Something keeps the seal of a floor drain that dries, and waste from running back into a dishwasher. */
final readonly class GuardRule implements NetworkRule
{
    public const ID = RuleId::FixtureGuard;

    private const OF_SEALS = [FixtureGuard::Primer, FixtureGuard::WasteFed, FixtureGuard::Barrier];

    /** What the row of a dishwasher has where the gap alone is taken. */
    private const GAP_ALONE = 2.0;

    public function judge(Network $network, Rulebook $rulebook): array
    {
        $findings = [];
        foreach ($network->heads as $head) {
            $row = match ($head->fixture->kind) {
                FixtureKind::FloorDrain => $rulebook->limit('guard.floor-drain'),
                FixtureKind::Dishwasher => $rulebook->limit('guard.dishwasher'),
                default => null,
            };
            $isKept = $row === null || in_array($head->fixture->guard, self::taken($head, $row), true);
            if ($row === null || $isKept) {
                continue;
            }
            $isSaid = $head->fixture->guard !== null;
            $findings[] = new Finding(
                $isSaid ? self::ID : RuleId::FixtureGuardNotKnown,
                $isSaid ? Severity::Stop : Severity::Unknown,
                $network->whereNode($head->node),
                params: [
                    'fixture' => $head->name,
                    'case' => match (true) {
                        $head->fixture->kind === FixtureKind::FloorDrain => 'seal',
                        $row->value === self::GAP_ALONE => 'gap',
                        default => 'back',
                    },
                ],
                source: $row->provenance,
            );
        }

        return $findings;
    }

    /** @return list<FixtureGuard> what the book takes for it */
    private static function taken(LoadedFixture $head, Threshold $row): array
    {
        return match (true) {
            $head->fixture->kind === FixtureKind::FloorDrain => self::OF_SEALS,
            $row->value === self::GAP_ALONE => [FixtureGuard::AirGap],
            default => [FixtureGuard::AirGap, FixtureGuard::HighLoop],
        };
    }
}
