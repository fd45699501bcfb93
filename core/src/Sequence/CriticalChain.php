<?php

declare(strict_types=1);

namespace FallBend\Core\Sequence;

use FallBend\Core\Measure\Tolerance;

/** What decides when all of a day may be filled: if anything in it is late, all is. */
final readonly class CriticalChain
{
    public function __construct(private DayProblem $problem, private DayPlan $plan) {}

    /**
     * @return list<array{breath: int, cause: Cause, after: ?int}> the first first; `after` is the breath that one waits
     *     for
     */
    public function links(): array
    {
        $last = null;
        foreach ($this->plan->order as $i) {
            if (
                $this->plan->fillMin - Tolerance::SUM <=
                $this->plan->starts[$i] + $this->problem->breaths[$i]->fillMin
            ) {
                $last = $i;
            }
        }
        $links = [];
        while ($last !== null) {
            $link = $this->causeOf($last);
            array_unshift($links, ['breath' => $last] + $link);
            $last = $link['after'];
        }

        return $links;
    }

    /** @return array{cause: Cause, after: ?int} */
    private function causeOf(int $breath): array
    {
        $start = $this->plan->starts[$breath];
        foreach ($this->problem->waits[$breath] ?? [] as $before => $lag) {
            if (abs($this->plan->starts[$before] + $lag - $start) < Tolerance::SUM) {
                return ['cause' => Cause::Set, 'after' => $before];
            }
        }
        foreach ($this->plan->order as $before) {
            $until = $this->plan->starts[$before] + $this->problem->breaths[$before]->minutes;
            $isSame = array_intersect($this->plan->who[$before], $this->plan->who[$breath]) !== [];
            if ($before !== $breath && $isSame && abs($until - $start) < Tolerance::SUM) {
                return ['cause' => Cause::Hands, 'after' => $before];
            }
        }

        // The day begins when the first may begin: once all is tried dry.
        $isFirst = $start <= min([$start, ...$this->problem->releases]) + Tolerance::SUM;

        return ['cause' => $isFirst ? Cause::Start : Cause::Release, 'after' => null];
    }
}
