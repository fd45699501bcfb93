<?php

declare(strict_types=1);

namespace FallBend\Core\Rules\Network;

use FallBend\Core\Catalog\Rulebook;
use FallBend\Core\Catalog\Threshold;
use FallBend\Core\Network\Network;
use FallBend\Core\Network\Segment;
use FallBend\Core\Network\Sizing;
use FallBend\Core\Rules\FallLeastRule;
use FallBend\Core\Rules\MeasuredFall;
use FallBend\Core\Verdict\Finding;

/**
 * A drain may fall less than the least of its size where enough runs in it: above a flow, and with a number of closets
 * (AD H H1 table 6).
 */
final readonly class FallByFlowRule implements NetworkRule
{
    public function judge(Network $network, Rulebook $rulebook): array
    {
        $flow = $rulebook->limit('fall.by-flow-least');
        $sizing = new Sizing($network, $rulebook);
        $findings = [];
        if ($flow?->value === null) {
            return [];
        }
        foreach ($network->segments as $segment) {
            foreach ($segment->stretches as $stretch) {
                [$leg, $system] = [$stretch->leg, $segment->layout->system->key];
                $row = $rulebook->forSize('fall.by-flow', $leg->line->size, $system);
                $fall = $row === null ? null : MeasuredFall::of($leg);
                if ($row === null || $fall === null || ! FallLeastRule::isByFlow($fall, $row)) {
                    continue;
                }
                $isEnough = $sizing->designFlow($segment) >= $flow->value && self::hasClosets($segment, $row);
                $where = $network->where($segment->run(), $stretch->tapeMm());
                $least = $rulebook->forSize('fall.least', $leg->line->size, $system);
                $finding = $isEnough ? null : FallLeastRule::verdict($fall, $least, $where, $rulebook->name);
                if ($finding !== null) {
                    $findings[] = $finding;
                }
            }
        }

        return self::perLeg($findings);
    }

    private static function hasClosets(Segment $segment, Threshold $row): bool
    {
        return $segment->closets >= ($row->load ?? 0.0);
    }

    /**
     * @param list<Finding> $findings
     * @return list<Finding> the first on each leg, however many fittings stand on it
     */
    private static function perLeg(array $findings): array
    {
        $first = [];
        foreach ($findings as $finding) {
            $first["{$finding->where->run} {$finding->where->leg}"] ??= $finding;
        }

        return array_values($first);
    }
}
