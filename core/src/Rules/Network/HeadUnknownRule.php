<?php

declare(strict_types=1);

namespace FallBend\Core\Rules\Network;

use FallBend\Core\Catalog\Rulebook;
use FallBend\Core\Network\Network;
use FallBend\Core\Verdict\Finding;
use FallBend\Core\Verdict\RuleId;
use FallBend\Core\Verdict\Severity;

/** What comes in at the head of every pipe is known; otherwise no load below it is. */
final readonly class HeadUnknownRule implements NetworkRule
{
    public const ID = RuleId::HeadUnknown;

    public function judge(Network $network, Rulebook $rulebook): array
    {
        $runs = array_count_values($network->layout->frames);
        $findings = [];
        foreach ($network->unknownHeads as $node) {
            if ($runs[$network->layout->frames[$node->run]] > 1) {
                $findings[] = new Finding(
                    self::ID,
                    Severity::Unknown,
                    $network->whereNode($node),
                    params: ['what' => $node->end->what ?? ''],
                );
            }
        }

        return $findings;
    }
}
