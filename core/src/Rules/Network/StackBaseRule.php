<?php

declare(strict_types=1);

namespace FallBend\Core\Rules\Network;

use FallBend\Core\Catalog\Nominal;
use FallBend\Core\Catalog\Rulebook;
use FallBend\Core\Layout\Junction;
use FallBend\Core\Layout\LegLaid;
use FallBend\Core\Layout\RunLayout;
use FallBend\Core\Measure\Tolerance;
use FallBend\Core\Network\Network;
use FallBend\Core\Network\Node;
use FallBend\Core\Verdict\Finding;
use FallBend\Core\Verdict\RuleId;
use FallBend\Core\Verdict\Severity;

/**
 * Nothing enters close below the foot of a stack, where the water jumps and the pressure is highest; nor too low on the
 * stack.
 */
final readonly class StackBaseRule implements NetworkRule
{
    public function judge(Network $network, Rulebook $rulebook): array
    {
        [$clear, $low] = [$rulebook->limit('stack.base-clear'), $rulebook->limit('stack.lowest-branch')];
        $findings = [];
        foreach ($network->nodes as $node) {
            if ($node->junction === null || $node->junction->isTurn() || $node->junction->taps[0]->isVent) {
                continue;
            }
            $layout = $network->layout->runs[$node->run];
            $leg = $layout->leg($node->junction->leg);
            $number = $leg->line->number ?? 1;
            $before = $layout->legs[$number - 2] ?? null;
            $after = $layout->legs[$number] ?? null;
            if ($leg === null) {
                continue;
            }
            $name = $network->layout->runs[$node->junction->taps[0]->run]->run->name;
            if ($clear?->value !== null && ! $leg->isUpright() && self::isStack($before, $layout->site->onLegs)) {
                $least = $clear->value * Nominal::mm($before->line->size ?? $leg->line->size);
                if (($node->junction->atMm ?? 0.0) < $least - Tolerance::TAPE_MM) {
                    $findings[] = new Finding(
                        RuleId::StackBase,
                        Severity::Stop,
                        $network->whereNode($node),
                        $node->junction->atMm,
                        $least,
                        ['at_mm' => $node->junction->atMm ?? 0.0, 'least_mm' => $least, 'branch' => $name],
                        $clear->provenance,
                    );
                }
            }
            if ($low?->value !== null && $leg->isUpright() && $after !== null && ! $after->isUpright()) {
                $findings[] = self::tooLow($network, $node, $leg, $rulebook, $name);
            }
        }

        return array_values(array_filter($findings));
    }

    /**
     * How low a branch may enter just over the foot, and whether its floor may enter at all, depends on how many
     * storeys the stack
     * serves: as many as its highest branch stands over the foot.
     */
    private static function tooLow(
        Network $network,
        Node $node,
        LegLaid $leg,
        Rulebook $rulebook,
        string $branch,
    ): ?Finding {
        $layout = $network->layout->runs[$node->run];
        $above = $leg->centreMm - ($node->junction->atMm ?? 0.0) + $layout->system->pipe($leg->line->size)->boreMm / 2;
        $storey = max(1.0, $rulebook->value('storey.height'));
        $storeys = 1 + (int) floor(self::highestMm($layout, $leg->to()->z) / $storey);
        $params = ['above_mm' => $above, 'branch' => $branch, 'storeys' => $storeys];
        $floors = [['first', 2, 'stack.first-apart-from'], ['ground', 1, 'stack.ground-apart-from']];
        foreach ($floors as [$floor, $ofFloors, $topic]) {
            $most = $rulebook->limit($topic);
            if ($most?->value !== null && $storeys > $most->value && $above < $ofFloors * $storey) {
                $params += ['most' => (int) $most->value, 'floor' => $floor];

                return new Finding(
                    RuleId::StackGroundFloor,
                    Severity::Stop,
                    $network->whereNode($node),
                    $storeys,
                    $most->value,
                    $params,
                    $most->provenance,
                );
            }
        }
        $isTall = $storeys > ($rulebook->limit('stack.tall-from')->value ?? INF);
        $least = $rulebook->limit($isTall ? 'stack.lowest-branch-tall' : 'stack.lowest-branch');

        return $least?->value === null || $above >= $least->value - Tolerance::TAPE_MM
            ? null
            : new Finding(
                RuleId::StackLowBranch,
                Severity::Stop,
                $network->whereNode($node),
                $above,
                $least->value,
                $params + ['least_mm' => $least->value],
                $least->provenance,
            );
    }

    /** How high the highest branch of a stack that carries water stands over its foot. */
    private static function highestMm(RunLayout $layout, float $footZ): float
    {
        $highest = 0.0;
        foreach ($layout->site->junctions as $junction) {
            $leg = $layout->leg($junction->leg);
            if ($leg !== null && $leg->isUpright() && ! $junction->isTurn() && ! $junction->taps[0]->isVent) {
                $highest = max($highest, $leg->from->z + $leg->line->direction->z * ($junction->atMm ?? 0.0) - $footZ);
            }
        }

        return $highest;
    }

    /** @param array<string, list<Junction>> $onLegs */
    private static function isStack(?LegLaid $leg, array $onLegs): bool
    {
        return $leg !== null &&
            $leg->isUpright() &&
            $leg->line->direction->z < 0 &&
            isset($onLegs[$leg->line->leg->id]);
    }
}
