<?php

declare(strict_types=1);

namespace FallBend\Core\Rules\Network;

use FallBend\Core\Catalog\Rulebook;
use FallBend\Core\Job\RunEndKind;
use FallBend\Core\Measure\Tolerance;
use FallBend\Core\Network\Arm;
use FallBend\Core\Network\Network;
use FallBend\Core\Venting\CombinationDrain;
use FallBend\Core\Venting\VentMethod;
use FallBend\Core\Venting\Vents;
use FallBend\Core\Verdict\Finding;
use FallBend\Core\Verdict\RuleId;
use FallBend\Core\Verdict\Severity;
use FallBend\Core\Verdict\Where;

/**
 * A trap arm is no longer than the rulebook allows for its size: further on the water would fill the pipe and draw the
 * seal after it.
 */
final readonly class ArmLongRule implements NetworkRule
{
    public const ID = RuleId::ArmLong;

    public function judge(Network $network, Rulebook $rulebook): array
    {
        $findings = [];
        $vents = new Vents($network, $rulebook);
        foreach ($network->heads as $head) {
            $arm = $network->arm($head);
            if (
                $arm === null ||
                $arm->vent === null ||
                ($arm->vent->end?->kind === RunEndKind::Gully && $head->isCloset())
            ) {
                continue;
            }
            $finding = self::verdict(MeasuredArm::of($arm), $rulebook, new Where);
            // The length of a drain that is its own vent is not limited.
            $tried = $finding?->rule === self::ID ? (new CombinationDrain($network, $rulebook))->tried($arm) : null;
            if ($tried?->isOpen() === true) {
                $findings[] = VentByStackRule::found($arm, [$tried], $network, $rulebook);
            } elseif ($finding !== null && $tried?->carries() !== true && ! self::needsNoAir($arm, $vents)) {
                $findings[] = $finding->at(self::where($arm, $network));
            }
        }

        return $findings;
    }

    /** Whether it is vented in a way that no pipe brings air by: that limits its drain by itself. */
    private static function needsNoAir(Arm $arm, Vents $vents): bool
    {
        return in_array($vents->method($arm), [VentMethod::StubStack, VentMethod::Unvented], true);
    }

    /** The verdict on one arm, wherever it is asked for. */
    public static function verdict(MeasuredArm $arm, Rulebook $rulebook, Where $where): ?Finding
    {
        $said = ['fixture' => $arm->fixture, 'size' => $arm->size, 'length_mm' => $arm->lengthMm];
        $most = $arm->most($rulebook);
        if ($most === null) {
            return new Finding(
                RuleId::ArmMostNotKnown,
                Severity::Unknown,
                $where,
                $arm->lengthMm,
                null,
                $said + ['book' => $rulebook->name],
            );
        }
        [$limit, $length] = [$arm->mostMm($rulebook), $arm->judgedMm($rulebook)];

        return $limit === null || ! self::isOver($length, $limit)
            ? null
            : new Finding(
                self::ID,
                Severity::Stop,
                $where,
                $length,
                $limit,
                ['length_mm' => $length] + $said + [
                    'most_mm' => $limit,
                    'over_mm' => $length - $limit,
                ],
                $most->provenance,
            );
    }

    /** Whether an arm is longer than it may be, by more than a tape shows. */
    public static function isOver(float $lengthMm, float $limitMm): bool
    {
        return Tolerance::isOver($lengthMm, $limitMm, Tolerance::TAPE_MM);
    }

    private static function where(Arm $arm, Network $network): Where
    {
        return $arm->vent === null || $arm->vent->junction !== null
            ? $network->where($arm->head->node->run, $network->drain($arm->head->node)->toMm ?? 0.0)
            : $network->whereNode($arm->vent);
    }
}
