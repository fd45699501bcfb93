<?php

declare(strict_types=1);

namespace FallBend\Core\Rules\Network;

use FallBend\Core\Catalog\Rulebook;
use FallBend\Core\Network\Network;
use FallBend\Core\Verdict\Finding;
use FallBend\Core\Verdict\Severity;

/** The seal of a trap is as deep as the rulebook asks for, and no deeper. */
final readonly class TrapSealRule implements NetworkRule
{
    public const ID = 'trap.seal';

    public function judge(Network $network, Rulebook $rulebook): array
    {
        $findings = [];
        foreach ($network->heads as $head) {
            [$seal, $kind] = [$head->fixture->sealMm, $head->fixture->kind];
            $least = $rulebook->forFixture('trap.seal-least', $kind);
            $most = $rulebook->forFixture('trap.seal-most', $kind);
            $off = match (true) {
                $seal === null => null,
                $least?->value !== null && $seal < $least->value - 0.5 => $least,
                $most?->value !== null && $seal > $most->value + 0.5 => $most,
                default => null,
            };
            if ($off !== null) {
                $findings[] = new Finding(self::ID, Severity::Stop, $network->whereNode($head->node), $seal, $off->value, ['seal_mm' => $seal, 'limit_mm' => $off->value ?? 0.0, 'fixture' => $head->name, 'off' => $off === $least ? 'shallow' : 'deep'], $off->provenance);
            }
        }

        return $findings;
    }
}
