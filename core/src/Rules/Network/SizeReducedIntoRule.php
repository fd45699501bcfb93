<?php

declare(strict_types=1);

namespace FallBend\Core\Rules\Network;

use FallBend\Core\Catalog\Rulebook;
use FallBend\Core\Network\Network;
use FallBend\Core\Verdict\Finding;
use FallBend\Core\Verdict\RuleId;
use FallBend\Core\Verdict\Severity;

/** Where one run goes on into another the size is not reduced. */
final readonly class SizeReducedIntoRule implements NetworkRule
{
    public const ID = RuleId::SizeReducedInto;

    public function judge(Network $network, Rulebook $rulebook): array
    {
        $findings = [];
        foreach ($network->segments as $segment) {
            $next = $segment->isWet && $segment->down->junction === null ? $network->drain($segment->down) : null;
            if ($next === null || $next->run() === $segment->run()) {
                continue;
            }
            [$from, $to] = [
                $segment->layout->system->pipe($segment->size())->boreMm,
                $next->layout->system->pipe($next->firstLeg()->line->size ?? $next->size())->boreMm,
            ];
            // Pipes of two systems of one name differ by a few mm in the bore.
            if ($to < $from * 0.9) {
                $findings[] = new Finding(
                    self::ID,
                    Severity::Stop,
                    $network->where($segment->run(), $segment->toMm),
                    $to,
                    $from,
                    ['from' => $segment->size(), 'to' => $next->firstLeg()->line->size ?? $next->size()],
                    $rulebook->source('reduction.downstream'),
                );
            }
        }

        return $findings;
    }
}
