<?php

declare(strict_types=1);

namespace FallBend\Core\Rules\Network;

use FallBend\Core\Catalog\Rulebook;
use FallBend\Core\Job\RunUse;
use FallBend\Core\Measure\Tolerance;
use FallBend\Core\Network\Network;
use FallBend\Core\Network\Node;
use FallBend\Core\Network\Sizing;
use FallBend\Core\Verdict\Finding;
use FallBend\Core\Verdict\RuleId;
use FallBend\Core\Verdict\Severity;

/**
 * Into one storey of a tall stack no more discharges than the rulebook lets into its size there, whatever the stack
 * carries as a whole.
 */
final readonly class StackIntervalRule implements NetworkRule
{
    public const ID = RuleId::SizeInterval;

    /** A stack of no more storeys than this has no limit for one of them (IPC table 710.1(2)). */
    private const LOW = 3;

    public function judge(Network $network, Rulebook $rulebook): array
    {
        if ($rulebook->limit('load.stack-interval') === null) {
            return [];
        }
        $sizing = new Sizing($network, $rulebook);
        $findings = [];
        foreach ($this->storeys($network, max(1.0, $rulebook->number('storey.height'))) as $ofStack) {
            foreach (count($ofStack) > self::LOW ? $ofStack : [] as [$load, $node]) {
                $size = $network->layout->runs[$node->run]->leg($node->junction->leg ?? '')->line->size ?? '';
                $most = $rulebook->forSize('load.stack-interval', $size);
                if ($most?->value !== null && Tolerance::isOver($load, $most->value, Tolerance::SUM)) {
                    $findings[] = new Finding(
                        self::ID,
                        Severity::Stop,
                        $network->whereNode($node),
                        $load,
                        $most->value,
                        [
                            'size' => $size,
                            'load' => $sizing->loadInWords($load),
                            'most' => $sizing->loadInWords($most->value),
                        ],
                        $most->provenance,
                    );
                }
            }
        }

        return $findings;
    }

    /**
     * @return array<string, array<array-key, array{float, Node}>> by run and storey: what enters there, and where first
     */
    private function storeys(Network $network, float $storeyMm): array
    {
        $storeys = [];
        foreach ($network->nodes as $node) {
            if ($node->junction === null || $node->junction->taps[0]->isVent) {
                continue;
            }
            $layout = $network->layout->runs[$node->run];
            $leg = $layout->leg($node->junction->leg);
            if ($leg === null || $layout->run->use === RunUse::Vent || ! $leg->isUpright()) {
                continue;
            }
            $key = (string) floor(
                ($leg->from->z + $leg->line->direction->z * ($node->junction->atMm ?? 0.0)) / $storeyMm,
            );
            $storeys[$node->run][$key] ??= [0.0, $node];
            foreach ($network->in($node) as $segment) {
                $storeys[$node->run][$key][0] +=
                    $segment->run() !== $node->run && $segment->isWet ? $segment->load : 0.0;
            }
        }

        return $storeys;
    }
}
