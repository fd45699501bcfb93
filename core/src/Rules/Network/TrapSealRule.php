<?php

declare(strict_types=1);

namespace FallBend\Core\Rules\Network;

use FallBend\Core\Catalog\Rulebook;
use FallBend\Core\Measure\Tolerance;
use FallBend\Core\Network\Network;
use FallBend\Core\Verdict\Finding;
use FallBend\Core\Verdict\RuleId;
use FallBend\Core\Verdict\Severity;
use FallBend\Core\Verdict\Where;

/** The seal of a trap is as deep as the rulebook asks for, and no deeper. */
final readonly class TrapSealRule implements NetworkRule
{
    public const ID = RuleId::TrapSeal;

    public function judge(Network $network, Rulebook $rulebook): array
    {
        $findings = [];
        foreach ($network->heads as $head) {
            if ($head->fixture->sealMm !== null) {
                $fixture = new NamedFixture($head->fixture->kind, $head->name);
                $where = $network->whereNode($head->node);
                array_push(
                    $findings,
                    ...self::verdict($head->fixture->sealMm, $fixture, $rulebook, $where),
                );
            }
        }

        return $findings;
    }

    /**
     * The verdict on one seal, wherever it is asked for.
     *
     * @return list<Finding>
     */
    public static function verdict(float $sealMm, NamedFixture $fixture, Rulebook $rulebook, Where $where): array
    {
        $least = $rulebook->forFixture('trap.seal-least', $fixture->kind);
        $most = $rulebook->forFixture('trap.seal-most', $fixture->kind);
        $off = match (true) {
            $least?->value !== null && Tolerance::isUnder($sealMm, $least->value, Tolerance::TAPE_MM) => $least,
            $most?->value !== null && Tolerance::isOver($sealMm, $most->value, Tolerance::TAPE_MM) => $most,
            default => null,
        };

        return $off?->value === null
            ? []
            : [
                new Finding(
                    self::ID,
                    Severity::Stop,
                    $where,
                    $sealMm,
                    $off->value,
                    [
                        'seal_mm' => $sealMm,
                        'limit_mm' => $off->value,
                        'fixture' => $fixture->name,
                        'off' => $off === $least ? 'shallow' : 'deep',
                    ],
                    $off->provenance,
                ),
            ];
    }
}
