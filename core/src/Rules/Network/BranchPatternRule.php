<?php

declare(strict_types=1);

namespace FallBend\Core\Rules\Network;

use FallBend\Core\Catalog\Branch;
use FallBend\Core\Catalog\Rulebook;
use FallBend\Core\Layout\Orientation;
use FallBend\Core\Layout\TurnFinder;
use FallBend\Core\Network\Network;
use FallBend\Core\Network\Node;
use FallBend\Core\Verdict\Finding;
use FallBend\Core\Verdict\RuleId;
use FallBend\Core\Verdict\Severity;

/**
 * A branch fitting is of a pattern that the rulebook takes for the way the water turns there: no tee on its back, no
 * vent fitting in a drain.
 */
final readonly class BranchPatternRule implements NetworkRule
{
    public const ID = RuleId::BranchPattern;

    public function judge(Network $network, Rulebook $rulebook): array
    {
        $findings = [];
        foreach ($network->nodes as $node) {
            $finding =
                $node->junction?->branch === null
                    ? null
                    : self::judgeNode($node, $node->junction->branch, $network, $rulebook);
            if ($finding !== null) {
                $findings[] = $finding;
            }
        }

        return $findings;
    }

    private static function judgeNode(Node $node, Branch $branch, Network $network, Rulebook $rulebook): ?Finding
    {
        if ($node->junction === null) {
            return null;
        }
        [$isWet, $isFromBranch] = [false, false];
        foreach ($network->in($node) as $segment) {
            $isWet = $isWet || $segment->isWet;
            $isFromBranch =
                $isFromBranch || ($segment->isWet && ($segment->run() !== $node->run || $node->junction->isTurn()));
        }
        if (! $isWet) {
            return null;
        }
        $orientation = $node->junction->orientation;
        $params = ['fitting' => $branch->name, 'orientation' => $orientation->said()];
        if (in_array($branch->pattern, Branch::DRY, true)) {
            return new Finding(
                RuleId::BranchDryFitting,
                Severity::Stop,
                $network->whereNode($node),
                params: $params,
                source: $rulebook->source("turn.{$branch->pattern}.level-upright"),
            );
        }
        if (! $isFromBranch) {
            $onBack = $branch->pattern === 'san-tee' && ! Orientation::isUpright($node->junction->flow);

            return $onBack && $rulebook->limit('vent.tee-on-back') !== null && $rulebook->value('vent.tee-on-back') < 1
                ? new Finding(
                    RuleId::BranchVentTeeOnBack,
                    Severity::Stop,
                    $network->whereNode($node),
                    params: $params,
                    source: $rulebook->source('vent.tee-on-back'),
                )
                : null;
        }
        $system = $network->layout->runs[$node->run]->system;
        $objection = TurnFinder::objection($rulebook, $branch->pattern, $orientation, 'drain', $branch->size, $system);
        if ($objection === 0) {
            return null;
        }
        $onBack = str_contains($branch->pattern, 'san-tee') && $orientation !== Orientation::LevelToUpright;

        return new Finding(
            $objection === 1 ? RuleId::BranchPatternDoubtful : ($onBack ? RuleId::BranchTeeOnBack : self::ID),
            $objection === 1 ? Severity::Warn : Severity::Stop,
            $network->whereNode($node),
            params: $params,
            source: $rulebook->forTurn($branch->pattern, $orientation->value)?->provenance,
        );
    }
}
