<?php

declare(strict_types=1);

namespace FallBend\Core\Rules\Network;

use FallBend\Core\Catalog\Nominal;
use FallBend\Core\Catalog\Rulebook;
use FallBend\Core\Catalog\Threshold;
use FallBend\Core\Layout\Junction;
use FallBend\Core\Layout\LegLaid;
use FallBend\Core\Layout\RunLayout;
use FallBend\Core\Measure\Tolerance;
use FallBend\Core\Network\Network;
use FallBend\Core\Network\Node;
use FallBend\Core\Verdict\Finding;
use FallBend\Core\Verdict\RuleId;
use FallBend\Core\Verdict\Severity;
use FallBend\Core\Verdict\Where;

/**
 * Nothing enters close below the foot of a stack, where the water jumps and the pressure is highest; nor too low on the
 * stack.
 */
final readonly class StackBaseRule implements NetworkRule
{
    public function judge(Network $network, Rulebook $rulebook): array
    {
        $findings = [];
        foreach ($network->nodes as $node) {
            $junction = $node->junction;
            if ($junction === null || $junction->isTurn() || $junction->taps[0]->isVent) {
                continue;
            }
            $layout = $network->layout->runs[$node->run];
            $leg = $layout->leg($junction->leg);
            if ($leg === null) {
                continue;
            }
            $before = $layout->legs[$leg->line->number - 2] ?? null;
            $after = $layout->legs[$leg->line->number] ?? null;
            $finding = match (true) {
                ! $leg->isUpright() && self::isStack($before, $layout->site->onLegs) => self::tooNear(
                    $node,
                    $before->line->size ?? $leg->line->size,
                    $network,
                    $rulebook,
                ),
                $leg->isUpright() && $after !== null && ! $after->isUpright() => self::tooLow(
                    $node,
                    $leg,
                    $network,
                    $rulebook,
                ),
                default => null,
            };
            if ($finding !== null) {
                $findings[] = $finding;
            }
        }

        return $findings;
    }

    /**
     * Below the foot the water jumps: so many diameters nothing enters.
     *
     * @param string $size of the stack
     */
    private static function tooNear(Node $node, string $size, Network $network, Rulebook $rulebook): ?Finding
    {
        $at = $node->junction->atMm ?? 0.0;
        [$clear, $least] = self::clearOfFoot($node, $size, $network, $rulebook);
        if ($clear?->value === null || ! Tolerance::isUnder($at, $least, Tolerance::TAPE_MM)) {
            return null;
        }
        $where = $network->whereNode($node);
        $params = ['at_mm' => $at, 'least_mm' => $least, 'branch' => self::branch($node, $network)];

        return new Finding(
            RuleId::StackBase,
            Severity::Stop,
            $where,
            $node->junction?->atMm,
            $least,
            $params,
            $clear->provenance,
        );
    }

    /**
     * Gives the row that says how far from the foot nothing enters, and how far that is in mm: in diameters, or in mm
     * for a stack of many storeys or with much in it.
     *
     * @param string $size of the stack
     * @return array{?Threshold, float}
     */
    private static function clearOfFoot(Node $node, string $size, Network $network, Rulebook $rulebook): array
    {
        $length = $rulebook->limit('stack.base-length');
        if ($length?->value === null) {
            $clear = $rulebook->limit('stack.base-clear');

            return [$clear, ($clear->value ?? 0.0) * Nominal::mm($size)];
        }
        $storeys = $network->stack($node->run)?->intervals($rulebook->number('storey.height')) ?? 0;
        $isTall = $storeys >= ($rulebook->limit('stack.base-storeys-from')->value ?? INF);
        $load = 0.0;
        foreach ($network->in($node) as $segment) {
            $load = $segment->run() === $node->run ? max($load, $segment->load) : $load;
        }
        $from = $rulebook->limit('stack.base-load-from')->value ?? INF;

        return $isTall || ! Tolerance::isUnder($load, $from, Tolerance::SUM) ? [$length, $length->value] : [null, 0.0];
    }

    /**
     * How low a branch may enter just over the foot, and whether its floor may enter at all, depends on how many
     * storeys the stack serves: as many as its highest branch stands over the foot.
     */
    private static function tooLow(Node $node, LegLaid $leg, Network $network, Rulebook $rulebook): ?Finding
    {
        if ($rulebook->limit('stack.lowest-branch')?->value === null) {
            return null;
        }
        $layout = $network->layout->runs[$node->run];
        $above = $leg->centreMm - ($node->junction->atMm ?? 0.0) + $layout->system->pipe($leg->line->size)->boreMm / 2;
        $storey = max(1.0, $rulebook->number('storey.height'));
        $storeys = 1 + (int) floor(self::highestMm($layout, $leg->to()->z) / $storey);
        $params = ['above_mm' => $above, 'branch' => self::branch($node, $network), 'levels' => $storeys];
        $where = $network->whereNode($node);
        $isTall = $storeys > ($rulebook->limit('stack.tall-from')->value ?? INF);
        $least = $rulebook->limit($isTall ? 'stack.lowest-branch-tall' : 'stack.lowest-branch');
        $isLow = $least?->value !== null && Tolerance::isUnder($above, $least->value, Tolerance::TAPE_MM);

        return self::onFloorApart($params, $above / $storey, $where, $rulebook) ?? ($isLow ? new Finding(
            RuleId::StackLowBranch,
            Severity::Stop,
            $where,
            $above,
            $least->value,
            $params + ['least_mm' => $least->value],
            $least->provenance,
        ) : null);
    }

    /**
     * A floor that has to have a stack or drain of its own enters none.
     *
     * @param array{above_mm: float, branch: string, levels: int} $params
     * @param float $floorsAbove how many storeys above the foot the branch enters
     */
    private static function onFloorApart(array $params, float $floorsAbove, Where $where, Rulebook $rulebook): ?Finding
    {
        $floors = [['first', 2, 'stack.first-apart-from'], ['ground', 1, 'stack.ground-apart-from']];
        foreach ($floors as [$floor, $ofFloors, $topic]) {
            $most = $rulebook->limit($topic);
            if ($most?->value !== null && $params['levels'] > $most->value && $floorsAbove < $ofFloors) {
                return new Finding(
                    RuleId::StackGroundFloor,
                    Severity::Stop,
                    $where,
                    $params['levels'],
                    $most->value,
                    $params + ['most' => (int) $most->value, 'floor' => $floor],
                    $most->provenance,
                );
            }
        }

        return null;
    }

    /** Gives the name of the run that enters there. */
    private static function branch(Node $node, Network $network): string
    {
        return $network->layout->runs[$node->junction?->key() ?? '']->run->name ?? '';
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
