<?php

declare(strict_types=1);

namespace FallBend\Core\Rules\Network;

use FallBend\Core\Catalog\Rulebook;
use FallBend\Core\Job\RunEndKind;
use FallBend\Core\Network\Network;
use FallBend\Core\Verdict\Finding;
use FallBend\Core\Verdict\RuleId;
use FallBend\Core\Verdict\Severity;

/** Where valves let air in, one vent at least opens outdoors, to let pressure out. */
final readonly class OpenVentRule implements NetworkRule
{
    public const ID = RuleId::ValveNoOpenVent;

    public function judge(Network $network, Rulebook $rulebook): array
    {
        [$valve, $open] = [null, 0];
        foreach ($network->nodes as $node) {
            $valve = $node->end?->kind === RunEndKind::Valve ? $node : $valve;
            $open += $node->end?->kind === RunEndKind::Roof ? 1 : 0;
        }
        $needed = $rulebook->limit('valve.one-open');

        return $valve === null || $needed?->value === null || $open >= $needed->value
            ? []
            : [
                new Finding(
                    self::ID,
                    Severity::Stop,
                    $network->whereNode($valve),
                    $open,
                    $needed->value,
                    source: $needed->provenance,
                ),
            ];
    }
}
