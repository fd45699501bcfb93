<?php

declare(strict_types=1);

namespace FallBend\Core\Rules\Network;

use FallBend\Core\Catalog\Nominal;
use FallBend\Core\Catalog\Rulebook;
use FallBend\Core\Layout\Junction;
use FallBend\Core\Layout\LegLaid;
use FallBend\Core\Network\Network;
use FallBend\Core\Rules\Finding;
use FallBend\Core\Rules\Severity;

/** Nothing enters close below the foot of a stack, where the water jumps and the pressure is highest; nor too low on the stack. */
final readonly class StackBaseRule implements NetworkRule
{
    public function judge(Network $network, Rulebook $rulebook): array
    {
        [$clear, $low] = [$rulebook->limit('stack.base-clear'), $rulebook->limit('stack.lowest-branch')];
        $findings = [];
        foreach ($network->nodes as $node) {
            if ($node->junction === null || $node->junction->isTurn() || $node->junction->taps[0]->isVent) {
                continue;
            }
            $layout = $network->layout->runs[$node->run];
            $leg = $layout->leg($node->junction->leg);
            $number = $leg->line->number ?? 1;
            $before = $layout->legs[$number - 2] ?? null;
            $after = $layout->legs[$number] ?? null;
            if ($leg === null) {
                continue;
            }
            $name = $network->layout->runs[$node->junction->taps[0]->run]->run->name;
            if ($clear?->value !== null && ! $leg->isUpright() && self::isStack($before, $layout->site->onLegs)) {
                $least = $clear->value * Nominal::mm($before->line->size ?? $leg->line->size);
                if (($node->junction->atMm ?? 0.0) < $least - 0.5) {
                    $findings[] = new Finding('stack.base', Severity::Stop, $network->whereNode($node), $node->junction->atMm, $least, ['at_mm' => $node->junction->atMm ?? 0.0, 'least_mm' => $least, 'branch' => $name], $clear->provenance);
                }
            }
            if ($low?->value !== null && $leg->isUpright() && $after !== null && ! $after->isUpright()) {
                $above = $leg->centreMm - ($node->junction->atMm ?? 0.0) + $layout->system->pipe($leg->line->size)->boreMm / 2;
                if ($above < $low->value - 0.5) {
                    $findings[] = new Finding('stack.lowBranch', Severity::Stop, $network->whereNode($node), $above, $low->value, ['above_mm' => $above, 'least_mm' => $low->value, 'branch' => $name], $low->provenance);
                }
            }
        }

        return $findings;
    }

    /** @param  array<string, list<Junction>>  $onLegs */
    private static function isStack(?LegLaid $leg, array $onLegs): bool
    {
        return $leg !== null && $leg->isUpright() && $leg->line->direction->z < 0 && isset($onLegs[$leg->line->leg->id]);
    }
}
