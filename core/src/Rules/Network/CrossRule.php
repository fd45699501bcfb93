<?php

declare(strict_types=1);

namespace FallBend\Core\Rules\Network;

use FallBend\Core\Catalog\Rulebook;
use FallBend\Core\Network\Network;
use FallBend\Core\Verdict\Finding;
use FallBend\Core\Verdict\RuleId;
use FallBend\Core\Verdict\Severity;

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
            if ($node->junction?->branch?->pattern !== 'double-san-tee') {
                continue;
            }
            $branch = $node->junction->branch;
            $sizes = $rulebook->limit('cross.sizes-larger');
            $system = $network->layout->runs[$node->run]->system;
            $steps =
                (int) array_search($branch->size, $system->sizes(), true) -
                (int) array_search($branch->branchSize, $system->sizes(), true);
            if ($sizes?->value !== null && $steps < $sizes->value) {
                $findings[] = new Finding(
                    RuleId::CrossBarrel,
                    Severity::Stop,
                    $network->whereNode($node),
                    $steps,
                    $sizes->value,
                    ['barrel' => $branch->size, 'side' => $branch->branchSize, 'sizes' => (int) $sizes->value],
                    $sizes->provenance,
                );
            }
            $least = $rulebook->limit('cross.closet-arm-least');
            if ($least === null) {
                continue;
            }
            foreach ($network->in($node) as $segment) {
                foreach ($segment->heads as $head) {
                    if (
                        $head->isCloset() &&
                        count($segment->heads) === 1 &&
                        $segment->run() !== $node->run &&
                        $segment->lengthMm() < $least->value
                    ) {
                        $findings[] = new Finding(
                            self::ID,
                            Severity::Stop,
                            $network->whereNode($node),
                            $segment->lengthMm(),
                            $least->value,
                            [
                                'length_mm' => $segment->lengthMm(),
                                'least_mm' => $least->value ?? 0.0,
                                'fixture' => $head->name,
                            ],
                            $least->provenance,
                        );
                    }
                }
            }
        }

        return $findings;
    }
}
