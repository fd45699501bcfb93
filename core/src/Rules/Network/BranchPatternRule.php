<?php

declare(strict_types=1);

namespace FallBend\Core\Rules\Network;

use FallBend\Core\Catalog\Branch;
use FallBend\Core\Catalog\Rulebook;
use FallBend\Core\Job\RunUse;
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
        $wet = [];
        foreach ($network->in($node) as $segment) {
            if ($segment->isWet) {
                $wet[] = $segment;
            }
        }
        if ($node->junction === null || $wet === []) {
            return null;
        }
        $orientation = $node->junction->orientation;
        $params = ['fitting' => $branch->name, 'orientation' => $orientation->inWords()];
        if (in_array($branch->pattern, Branch::DRY, true)) {
            $source = $rulebook->source("turn.{$branch->pattern}.level-upright");

            return new Finding(
                RuleId::BranchDryFitting,
                Severity::Stop,
                $network->whereNode($node),
                params: $params,
                source: $source,
            );
        }
        foreach ($wet as $segment) {
            if ($segment->run() !== $node->run || $node->junction->isTurn()) {
                return self::judgeTurn($node, $branch, $network, $rulebook);
            }
        }
        $isOnBack = $branch->pattern === 'san-tee' && ! Orientation::isUpright($node->junction->flow);
        $taken = $rulebook->limit('vent.tee-on-back');

        return ! $isOnBack || $taken === null || $rulebook->allows('vent.tee-on-back')
            ? null
            : new Finding(
                RuleId::BranchVentTeeOnBack,
                Severity::Stop,
                $network->whereNode($node),
                params: $params,
                source: $rulebook->source('vent.tee-on-back'),
            );
    }

    /** The verdict on how water turns from the branch into the run. */
    private static function judgeTurn(Node $node, Branch $branch, Network $network, Rulebook $rulebook): ?Finding
    {
        $orientation = $node->junction->orientation ?? Orientation::LevelToLevel;
        $system = $network->layout->runs[$node->run]->system;
        $objection = TurnFinder::objection(
            $rulebook,
            $branch->pattern,
            $orientation,
            RunUse::Drain,
            $branch->size,
            $system,
        );
        if ($objection === 0) {
            return null;
        }
        $isOnBack = str_contains($branch->pattern, 'san-tee') && $orientation !== Orientation::LevelToUpright;

        return new Finding(
            $objection === 1 ? RuleId::BranchPatternDoubtful : ($isOnBack ? RuleId::BranchTeeOnBack : self::ID),
            $objection === 1 ? Severity::Warn : Severity::Stop,
            $network->whereNode($node),
            params: ['fitting' => $branch->name, 'orientation' => $orientation->inWords()],
            source: $rulebook->forTurn($branch->pattern, $orientation->value)?->provenance,
        );
    }
}
