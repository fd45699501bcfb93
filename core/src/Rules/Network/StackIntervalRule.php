<?php

declare(strict_types=1);

namespace FallBend\Core\Rules\Network;

use FallBend\Core\Catalog\Rulebook;
use FallBend\Core\Measure\Tolerance;
use FallBend\Core\Network\Network;
use FallBend\Core\Network\Segment;
use FallBend\Core\Network\Sizing;
use FallBend\Core\Network\StackBranch;
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
        $storey = $rulebook->number('storey.height');
        foreach ($network->stacks() as $stack) {
            $intervals = $stack->byInterval($storey);
            foreach (count($intervals) > self::LOW ? $intervals : [] as $branches) {
                $load = self::load($branches, $network);
                $size = $branches[0]->leg->line->size;
                $most = $rulebook->forSize('load.stack-interval', $size);
                if ($most?->value !== null && Tolerance::isOver($load, $most->value, Tolerance::SUM)) {
                    $findings[] = new Finding(
                        self::ID,
                        Severity::Stop,
                        $network->where($stack->layout->run->id, $branches[0]->tapeMm),
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
     * Gives what discharges into the stack in one interval, in the unit of the rulebook.
     *
     * @param list<StackBranch> $branches
     */
    private static function load(array $branches, Network $network): float
    {
        $runs = [];
        foreach ($branches as $branch) {
            foreach ($branch->junction->taps as $tap) {
                // The last pipe of a run carries all of it.
                $runs[$tap->run] = max(0.0, ...array_map(self::carried(...), $network->ofRun($tap->run)));
            }
        }

        return (float) array_sum($runs);
    }

    private static function carried(Segment $segment): float
    {
        return $segment->isWet ? $segment->load : 0.0;
    }
}
