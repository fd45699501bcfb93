<?php

declare(strict_types=1);

namespace FallBend\Core\Rules\Network;

use FallBend\Core\Catalog\Branch;
use FallBend\Core\Catalog\PipeSystem;
use FallBend\Core\Catalog\Rulebook;
use FallBend\Core\Measure\Tolerance;
use FallBend\Core\Network\Network;
use FallBend\Core\Network\Node;
use FallBend\Core\Verdict\Finding;
use FallBend\Core\Verdict\RuleId;
use FallBend\Core\Verdict\Severity;
use FallBend\Core\Verdict\Where;

/**
 * Two fixtures face each other in a double tee only within its limits: a closet or a pump would throw across into the
 * other branch.
 */
final readonly class CrossRule implements NetworkRule
{
    public const ID = RuleId::CrossThrows;

    public function judge(Network $network, Rulebook $rulebook): array
    {
        $findings = [];
        foreach ($network->nodes as $node) {
            $branch = $node->junction?->branch;
            if ($branch?->pattern === 'double-san-tee') {
                $system = $network->layout->runs[$node->run]->system;
                array_push(
                    $findings,
                    ...self::barrel($branch, $system, $network->whereNode($node), $rulebook),
                    ...self::thrown($node, $network, $rulebook),
                );
            }
        }

        return $findings;
    }

    /** @return list<Finding> on how much wider its barrel is than its sides */
    private static function barrel(Branch $branch, PipeSystem $system, Where $where, Rulebook $rulebook): array
    {
        $sizes = $rulebook->limit('cross.sizes-larger');
        $place = static fn (string $size): int => (int) array_search($size, $system->sizes(), true);
        $steps = $place($branch->size) - $place($branch->branchSize);

        return $sizes?->value === null || $steps >= $sizes->value ? [] : [new Finding(
            RuleId::CrossBarrel,
            Severity::Stop,
            $where,
            $steps,
            $sizes->value,
            ['barrel' => $branch->size, 'side' => $branch->branchSize, 'sizes' => (int) $sizes->value],
            $sizes->provenance,
        )];
    }

    /** @return list<Finding> on closets that stand too near it, and throw across */
    private static function thrown(Node $node, Network $network, Rulebook $rulebook): array
    {
        $least = $rulebook->limit('cross.closet-arm-least');
        if ($least?->value === null) {
            return [];
        }
        $findings = [];
        foreach ($network->in($node) as $segment) {
            $head = count($segment->heads) === 1 ? $segment->heads[0] : null;
            $length = $segment->lengthMm();
            $isNear = Tolerance::isUnder($length, $least->value, Tolerance::TAPE_MM);
            if ($head?->isCloset() === true && $segment->run() !== $node->run && $isNear) {
                $findings[] = new Finding(
                    self::ID,
                    Severity::Stop,
                    $network->whereNode($node),
                    $length,
                    $least->value,
                    ['length_mm' => $length, 'least_mm' => $least->value, 'fixture' => $head->name],
                    $least->provenance,
                );
            }
        }

        return $findings;
    }
}
