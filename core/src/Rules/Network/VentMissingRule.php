<?php

declare(strict_types=1);

namespace FallBend\Core\Rules\Network;

use FallBend\Core\Catalog\Rulebook;
use FallBend\Core\Job\RunEndKind;
use FallBend\Core\Job\TrapKind;
use FallBend\Core\Network\Air;
use FallBend\Core\Network\Arm;
use FallBend\Core\Network\LoadedFixture;
use FallBend\Core\Network\Network;
use FallBend\Core\Venting\Shortfall;
use FallBend\Core\Venting\Tried;
use FallBend\Core\Venting\VentMethod;
use FallBend\Core\Venting\Vents;
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
        $vents = new Vents($network, $rulebook);
        foreach ($network->heads as $head) {
            $arm = $head->fixture->trap === TrapKind::None ? null : $network->arm($head);
            if ($arm !== null && $arm->vent === null) {
                array_push($findings, ...self::withoutAir($arm, $vents, $network, $rulebook));
            }
            $air = $arm?->vent === null ? null : $network->air($arm->vent);
            if ($air?->isKnown === false) {
                $findings[] = self::notKnown($head, $air, $network, $rulebook);
            }
        }

        return $findings;
    }

    /** @return list<Finding> on a trap that no air meets the drain of */
    private static function withoutAir(Arm $arm, Vents $vents, Network $network, Rulebook $rulebook): array
    {
        $tried = $vents->tried($arm);
        if (Vents::carrying($tried) !== null) {
            return [];
        }
        $open = Vents::notJudged($tried);
        $asked =
            $open === null || $open->method !== VentMethod::StubStack
                ? []
                : [Asked::of(RuleId::BuildingDrainVentilated, $network->whereNode($arm->head->node), $open->row)];
        if (self::mayComeBeyond($arm, $tried, $rulebook)) {
            return [
                ...$asked,
                new Finding(
                    RuleId::VentBelowNotKnown,
                    Severity::Unknown,
                    $network->whereNode($arm->head->node),
                    params: ['fixture' => $arm->head->name, 'length_mm' => $arm->lengthMm],
                    source: MeasuredArm::of($arm)->most($rulebook)?->provenance,
                ),
            ];
        }

        return $open !== null
            ? [...$asked, VentByStackRule::found($arm, $tried, $network, $rulebook)]
            : [self::missing($arm, Vents::nearest($tried), $network, $rulebook)];
    }

    /** @param ?Tried $nearest the way that comes nearest; null: none has the shape */
    private static function missing(Arm $arm, ?Tried $nearest, Network $network, Rulebook $rulebook): Finding
    {
        return new Finding(
            self::ID,
            Severity::Stop,
            $network->whereNode($arm->head->node),
            params: [
                'fixture' => $arm->head->name,
                'length_mm' => $arm->lengthMm,
                'method' => $nearest->row->title ?? '',
                'missing' => implode('; ', $nearest?->missingInWords() ?? []),
                'case' => $nearest === null ? 'alone' : 'missing',
            ],
            source: $nearest->row->provenance ?? $rulebook->source('vent.by-stack'),
        );
    }

    /**
     * Whether the drain leads on into something that nobody described, and not so far away yet that whatever comes
     * there would come too late.
     *
     * @param list<Tried> $tried ways of venting that need no air to meet it
     */
    public static function mayComeBeyond(Arm $arm, array $tried, Rulebook $rulebook): bool
    {
        $last = $arm->last();
        $end = $last?->down->end?->kind;
        if ($last === null || ! in_array($end, [RunEndKind::Socket, RunEndKind::Standing], true)) {
            return false;
        }
        foreach ($tried as $one) {
            // Somebody said how the drain below is ventilated: it is described by that.
            if ($one->method === VentMethod::StubStack && ! in_array(Shortfall::DrainNotKnown, $one->missing, true)) {
                return false;
            }
        }
        $measured = MeasuredArm::of($arm);
        $most = $measured->mostMm($rulebook);

        return $most === null || ! ArmLongRule::isOver($measured->judgedMm($rulebook), $most);
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
