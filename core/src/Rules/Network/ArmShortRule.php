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

/** No vent opens within two diameters of the weir: it would foul, and be no vent. */
final readonly class ArmShortRule implements NetworkRule
{
    public const ID = RuleId::ArmShort;

    public function judge(Network $network, Rulebook $rulebook): array
    {
        $findings = [];
        foreach ($network->heads as $head) {
            $arm = $network->arm($head);
            if ($arm === null || $arm->vent === null || $arm->size() === '') {
                continue;
            }
            $finding = self::verdict(MeasuredArm::of($arm), $rulebook, new Where);
            if ($finding !== null) {
                $findings[] = $finding->at($network->whereNode($head->node));
            }
        }

        return $findings;
    }

    /** The verdict on one arm, wherever it is asked for. */
    public static function verdict(MeasuredArm $arm, Rulebook $rulebook, Where $where): ?Finding
    {
        $limit = $arm->least($rulebook);
        $least = $arm->diametersMm($limit);

        return $least === null || ! Tolerance::isUnder($arm->lengthMm, $least, Tolerance::TAPE_MM) ? null : new Finding(
            self::ID,
            Severity::Stop,
            $where,
            $arm->lengthMm,
            $least,
            ['length_mm' => $arm->lengthMm, 'least_mm' => $least, 'fixture' => $arm->fixture, 'size' => $arm->size],
            $limit?->provenance,
        );
    }
}
