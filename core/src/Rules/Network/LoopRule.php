<?php

declare(strict_types=1);

namespace FallBend\Core\Rules\Network;

use FallBend\Core\Catalog\Rulebook;
use FallBend\Core\Network\Network;
use FallBend\Core\Verdict\Finding;
use FallBend\Core\Verdict\RuleId;
use FallBend\Core\Verdict\Severity;

/** Water runs to an end, never round in a loop. */
final readonly class LoopRule implements NetworkRule
{
    public const ID = RuleId::NetworkLoop;

    public function judge(Network $network, Rulebook $rulebook): array
    {
        return array_map(
            static fn (string $run): Finding => new Finding(
                self::ID,
                Severity::Stop,
                $network->where($run, 0.0),
                params: ['run' => $network->layout->runs[$run]->run->name],
            ),
            $network->layout->loops,
        );
    }
}
