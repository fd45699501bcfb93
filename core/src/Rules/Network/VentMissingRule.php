<?php

declare(strict_types=1);

namespace FallBend\Core\Rules\Network;

use FallBend\Core\Catalog\Rulebook;
use FallBend\Core\Job\RunEndKind;
use FallBend\Core\Job\TrapKind;
use FallBend\Core\Measure\Tolerance;
use FallBend\Core\Network\Air;
use FallBend\Core\Network\Arm;
use FallBend\Core\Network\LoadedFixture;
use FallBend\Core\Network\Network;
use FallBend\Core\Verdict\Finding;
use FallBend\Core\Verdict\RuleId;
use FallBend\Core\Verdict\Severity;

/**
 * Air meets the water behind every trap; where it would come down a pipe that stands, somebody has to say that it does.
 */
final readonly class VentMissingRule implements NetworkRule
{
    public const ID = RuleId::VentMissing;

    public function judge(Network $network, Rulebook $rulebook): array
    {
        $findings = [];
        foreach ($network->heads as $head) {
            $arm = $head->fixture->trap === TrapKind::None ? null : $network->arm($head);
            $air = $arm?->vent === null ? null : $network->air($arm->vent);
            if ($arm !== null && $arm->vent === null && self::mayComeBeyond($arm, $rulebook)) {
                $findings[] = new Finding(
                    RuleId::VentBelowNotKnown,
                    Severity::Unknown,
                    $network->whereNode($head->node),
                    params: ['fixture' => $head->name, 'length_mm' => $arm->lengthMm],
                    source: MeasuredArm::of($arm)->most($rulebook)?->provenance,
                );
            } elseif ($arm !== null && $arm->vent === null) {
                $findings[] = new Finding(
                    self::ID,
                    Severity::Stop,
                    $network->whereNode($head->node),
                    params: ['fixture' => $head->name, 'length_mm' => $arm->lengthMm],
                    source: $rulebook->source('vent.by-stack'),
                );
            }
            if ($air?->isKnown === false) {
                $findings[] = self::notKnown($head, $air, $network, $rulebook);
            }
        }

        return $findings;
    }

    /**
     * Whether the drain leads on into something that nobody described, and not so far away yet that whatever comes
     * there would come too late.
     */
    public static function mayComeBeyond(Arm $arm, Rulebook $rulebook): bool
    {
        $last = $arm->last();
        $end = $last?->down->end?->kind;
        if ($last === null || ! in_array($end, [RunEndKind::Socket, RunEndKind::Standing], true)) {
            return false;
        }
        $most = MeasuredArm::of($arm)->mostMm($rulebook);

        return $most === null || ! Tolerance::isOver($arm->lengthMm, $most, Tolerance::TAPE_MM);
    }

    private static function notKnown(LoadedFixture $head, Air $air, Network $network, Rulebook $rulebook): Finding
    {
        return new Finding(
            RuleId::VentAboveNotKnown,
            Severity::Unknown,
            $network->whereNode($head->node),
            params: ['fixture' => $head->name, 'pipe' => $air->terminal->end->what ?? ''],
            source: $rulebook->source('vent.by-stack'),
        );
    }
}
