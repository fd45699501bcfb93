<?php

declare(strict_types=1);

namespace FallBend\Core\Sequence;

use FallBend\Core\Effort\Effort;
use FallBend\Core\Measure\Tolerance;

/**
 * Finds the order in which everything may be filled soonest. Breaths are taken in the order in which they begin, each
 * as soon as what it needs has set and hands are free: the best of all plans is among those. First what is most urgent
 * is taken each time (the longest tail), with and without waiting for something more urgent; then all orders are gone
 * through that could still be better, as far as the effort goes.
 *
 * The bound of an order that is begun: what is left begins no sooner than it can and waits its tail out, and all hands
 * on it take their time (Carlier's argument for one machine, shared by the people that there are).
 */
final class DaySearch
{
    /** Orders of random urgency that are tried before all are gone through. */
    private const TRIALS = 60;

    /** By how much urgency is changed in those, of itself. */
    private const CHANGE = 0.5;

    private float $best = INF;

    /** @var array<int, float> beginnings in the best plan, by breath, in their order */
    private array $bestStarts = [];

    private bool $isWhole = true;

    public function __construct(private readonly DayProblem $problem, private readonly Effort $effort) {}

    /** Gives the best plan that was found, and whether it was shown that none is better. */
    public function plan(): DayPlan
    {
        $bound = $this->problem->boundMin();
        $this->tryUrgent($bound);
        if ($this->best > $bound + Tolerance::ROUNDING) {
            $this->extend([], 0.0, array_fill(0, $this->problem->people, 0.0), 0.0);
        }
        $isOptimal = $this->best <= $bound + Tolerance::ROUNDING || ($this->isWhole && ! $this->effort->isSpent());
        [$starts, $who] = [$this->bestStarts, $this->who()];
        ksort($starts);

        return new DayPlan(
            array_values($starts),
            $who,
            array_keys($this->bestStarts),
            $this->bestStarts === [] ? 0.0 : $this->best,
            $isOptimal ? ($this->bestStarts === [] ? 0.0 : $this->best) : $bound,
            $isOptimal,
        );
    }

    /** Tries orders by urgency: as it is, and changed a little each time. */
    private function tryUrgent(float $bound): void
    {
        $seed = 1;
        for ($trial = 0; $trial <= self::TRIALS; $trial++) {
            $urgency = $this->problem->tails;
            foreach ($trial === 0 ? [] : $urgency as $i => $tail) {
                $seed = ($seed * 1_103_515_245 + 12_345) % 2_147_483_648;
                $urgency[$i] = $tail * (1.0 + self::CHANGE * ($seed / 2_147_483_648 - 0.5));
            }
            foreach ([false, true] as $waits) {
                $this->schedule(array_values($urgency), $waits);
                if ($this->best <= $bound + Tolerance::ROUNDING || $this->effort->isSpent()) {
                    return;
                }
            }
        }
    }

    /**
     * Takes the most urgent each time: of those that can begin first, or of those that can begin before one of them
     * would be done.
     *
     * @param list<float> $urgency
     */
    private function schedule(array $urgency, bool $waits): void
    {
        [$starts, $last, $free, $end] = [[], 0.0, array_fill(0, $this->problem->people, 0.0), 0.0];
        while (count($starts) < count($urgency)) {
            $open = $this->open($starts, $last, $free);
            if ($open === []) {
                return;
            }
            $first = min($open);
            $horizon = $first;
            if ($waits) {
                $horizon = INF;
                foreach ($open as $i => $at) {
                    $horizon = min($horizon, $at + $this->problem->breaths[$i]->minutes);
                }
            }
            $next = null;
            foreach ($open as $i => $at) {
                $isInTime = $at <= $first || ($waits && $at < $horizon);
                if ($isInTime && ($next === null || $urgency[$i] > $urgency[$next])) {
                    $next = $i;
                }
            }
            if ($next === null) {
                return;
            }
            $last = $open[$next];
            $starts[$next] = $last;
            $free = $this->taken($free, $next, $last);
            $end = max($end, $last + $this->problem->tails[$next]);
        }
        $this->keep($starts, $end);
    }

    /**
     * Goes through all orders that begin so and could be better than the best.
     *
     * @param array<int, float> $starts of those that are taken, in their order
     * @param list<float> $free when each of the people has their hands free
     */
    private function extend(array $starts, float $last, array $free, float $end): void
    {
        if ($this->effort->isSpent()) {
            $this->isWhole = false;

            return;
        }
        $open = $this->open($starts, $last, $free);
        if ($open === []) {
            $this->keep($starts, $end);

            return;
        }
        if ($this->boundOf($starts, $open, $free) >= $this->best - Tolerance::ROUNDING) {
            return;
        }
        foreach ($this->worthTrying($open) as $i) {
            $at = $open[$i];
            $next = max($end, $at + $this->problem->tails[$i]);
            if ($next < $this->best - Tolerance::ROUNDING) {
                $this->extend($starts + [$i => $at], $at, $this->taken($free, $i, $at), $next);
            }
        }
    }

    /**
     * @param array<int, float> $starts
     * @param list<float> $free
     * @return array<int, float> when each that needs nothing any more can begin
     */
    private function open(array $starts, float $last, array $free): array
    {
        // A step of the search is one breath that is looked at.
        $this->effort->spend(count($this->problem->breaths) - count($starts));
        sort($free);
        $open = [];
        foreach ($this->problem->breaths as $i => $breath) {
            if (isset($starts[$i])) {
                continue;
            }
            $at = max($last, $this->problem->releases[$i], $free[$this->problem->peopleOn($i) - 1]);
            foreach ($this->problem->waits[$i] ?? [] as $before => $lag) {
                if (! isset($starts[$before])) {
                    continue 2;
                }
                $at = max($at, $starts[$before] + $lag);
            }
            $open[$i] = $at;
        }

        return $open;
    }

    /**
     * One that cannot begin before another could be begun and done is not the next: that other one would fit in before
     * it, and nothing would be later. What is most urgent comes first.
     *
     * @param array<int, float> $open
     * @return list<int>
     */
    private function worthTrying(array $open): array
    {
        $done = INF;
        foreach ($open as $i => $at) {
            $done = min($done, $at + $this->problem->breaths[$i]->minutes);
        }
        $worth = array_keys(array_filter($open, static fn (float $at): bool => $at < $done));
        $tails = $this->problem->tails;
        usort($worth, static fn (int $a, int $b): int => [$open[$a], -$tails[$a]] <=> [$open[$b], -$tails[$b]]);

        return $worth;
    }

    /**
     * @param array<int, float> $starts
     * @param array<int, float> $open
     * @param list<float> $free
     */
    private function boundOf(array $starts, array $open, array $free): float
    {
        $heads = $open;
        foreach ($this->problem->sorted as $i) {
            if (isset($starts[$i])) {
                continue;
            }
            $heads[$i] ??= $this->problem->releases[$i];
            foreach ($this->problem->waits[$i] ?? [] as $before => $lag) {
                $heads[$i] = max($heads[$i], ($starts[$before] ?? $heads[$before]) + $lag);
            }
        }
        $after = [];
        $bound = 0.0;
        foreach ($heads as $i => $head) {
            $bound = max($bound, $head + $this->problem->tails[$i]);
            $after[$i] = $this->problem->tails[$i] - $this->problem->breaths[$i]->minutes;
        }
        arsort($after);
        // Hands that are busy with something else until then are work, too.
        $first = min([INF, ...array_values($heads)]);
        $work = 0.0;
        foreach ($free as $at) {
            $work += max(0.0, $at - $first);
        }
        foreach ($after as $i => $tail) {
            $work += $this->problem->breaths[$i]->minutes * $this->problem->peopleOn($i);
            $bound = max($bound, $first + $work / $this->problem->people + $tail);
        }

        return $bound;
    }

    /**
     * @param list<float> $free
     * @return list<float> once they are on a breath that begins then: those whose hands came free last
     */
    private function taken(array $free, int $breath, float $at): array
    {
        $people = array_keys(array_filter($free, static fn (float $one): bool => $one <= $at + Tolerance::ROUNDING));
        usort($people, static fn (int $a, int $b): int => $free[$b] <=> $free[$a]);
        foreach (array_slice($people, 0, $this->problem->peopleOn($breath)) as $one) {
            $free[$one] = $at + $this->problem->breaths[$breath]->minutes;
        }

        return array_values($free);
    }

    /** @return list<list<int>> who is on each breath of the best plan, from 1 */
    private function who(): array
    {
        $free = array_fill(0, $this->problem->people, 0.0);
        $who = [];
        foreach ($this->bestStarts as $i => $at) {
            $before = $free;
            $free = $this->taken($free, $i, $at);
            $who[$i] = [];
            foreach ($free as $one => $until) {
                if ($until !== $before[$one]) {
                    $who[$i][] = $one + 1;
                }
            }
        }
        ksort($who);

        return array_values($who);
    }

    /** @param array<int, float> $starts */
    private function keep(array $starts, float $end): void
    {
        if ($end < $this->best - Tolerance::ROUNDING) {
            [$this->best, $this->bestStarts] = [$end, $starts];
        }
    }
}
