<?php

declare(strict_types=1);

namespace FallBend\Core\Rules\Network;

use FallBend\Core\Catalog\Rulebook;
use FallBend\Core\Geometry\Vec3;
use FallBend\Core\Layout\Orientation;
use FallBend\Core\Measure\Tolerance;
use FallBend\Core\Network\Network;
use FallBend\Core\Network\Node;
use FallBend\Core\Verdict\Finding;
use FallBend\Core\Verdict\RuleId;
use FallBend\Core\Verdict\Severity;

/**
 * A branch enters a stack clear of the zone below the branch opposite, where the flow from that one strikes the wall.
 */
final readonly class BranchOppositeRule implements NetworkRule
{
    public const ID = RuleId::BranchOpposite;

    public function judge(Network $network, Rulebook $rulebook): array
    {
        if ($rulebook->limit('branch.opposite-least') === null) {
            return [];
        }
        $byRun = [];
        foreach ($network->nodes as $node) {
            if (
                $node->junction !== null &&
                ! $node->junction->isTurn() &&
                ! $node->junction->taps[0]->isVent &&
                Orientation::isUpright($node->junction->flow)
            ) {
                $byRun[$node->run][] = $node;
            }
        }
        $findings = [];
        foreach ($byRun as $nodes) {
            usort($nodes, static fn (Node $a, Node $b): int => $b->at->z <=> $a->at->z);
            foreach ($nodes as $i => $upper) {
                foreach (array_slice($nodes, $i + 1) as $lower) {
                    $finding = self::judgePair($upper, $lower, $network, $rulebook);
                    if ($finding !== null) {
                        $findings[] = $finding;
                    }
                }
            }
        }

        return $findings;
    }

    private static function judgePair(Node $upper, Node $lower, Network $network, Rulebook $rulebook): ?Finding
    {
        $tap = $upper->junction->taps[0] ?? null;
        $least = $tap === null ? null : $rulebook->forSize('branch.opposite-least', $tap->size);
        $flow = $upper->junction->flow ?? Vec3::up();
        [$a, $b] = [$tap?->flow->squareTo($flow), ($lower->junction->taps[0] ?? null)?->flow->squareTo($flow)];
        $below = $upper->at->minus($lower->at)->length();
        if (
            $least?->value === null ||
            $a === null ||
            $b === null ||
            $a->angleTo($b) < 135.0 ||
            ! Tolerance::isUnder($below, $least->value, Tolerance::TAPE_MM) ||
            // At one height they are one double fitting.
            ! Tolerance::isOver($below, 0.0, Tolerance::TAPE_MM)
        ) {
            return null;
        }

        return new Finding(
            self::ID,
            Severity::Stop,
            $network->whereNode($lower),
            $below,
            $least->value,
            [
                'below_mm' => $below,
                'least_mm' => $least->value,
                'upper' => $network->layout->runs[$tap->run]->run->name,
            ],
            $least->provenance,
        );
    }
}
