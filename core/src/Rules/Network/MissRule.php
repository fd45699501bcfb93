<?php

declare(strict_types=1);

namespace FallBend\Core\Rules\Network;

use FallBend\Core\Catalog\Rulebook;
use FallBend\Core\Network\Network;
use FallBend\Core\Verdict\Finding;
use FallBend\Core\Verdict\RuleId;
use FallBend\Core\Verdict\Severity;

/**
 * A run that is tied at both ends reaches both: what its legs miss the second place by has to be found before anything
 * is cut.
 */
final readonly class MissRule implements NetworkRule
{
    public const ID = RuleId::NetworkMisses;

    /** What a tape and a level miss by anyhow, in mm: 1/8 in. Less is not spoken of. */
    private const READ_MM = 3.175;

    /** What a pipe can be drawn over by, in mm: 1/2 in. */
    private const SLACK_MM = 12.7;

    public function judge(Network $network, Rulebook $rulebook): array
    {
        $findings = [];
        foreach ($network->layout->missesMm as $run => $miss) {
            if ($miss <= self::READ_MM) {
                continue;
            }
            $layout = $network->layout->runs[$run];
            $findings[] = new Finding(
                self::ID,
                $miss > self::SLACK_MM ? Severity::Stop : Severity::Warn,
                $network->where($run, $layout->tapeMm),
                $miss,
                self::SLACK_MM,
                ['miss_mm' => $miss, 'what' => $layout->run->tieIn->thing()],
            );
        }

        return $findings;
    }
}
