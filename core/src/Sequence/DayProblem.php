<?php

declare(strict_types=1);

namespace FallBend\Core\Sequence;

use FallBend\Core\Input\BadInput;

/**
 * What is to be ordered on a day: breaths, how long each waits for others, how many people there are, and from when
 * each may begin. Times in minutes from the beginning of the day.
 */
final readonly class DayProblem
{
    /** @var array<int, array<int, float>> how long after the beginning of one another may begin: by both */
    public array $lags;

    /** @var array<int, array<int, float>> the same by the later one */
    public array $waits;

    /** @var list<float> from its beginning until water may run through all that follows from it, by breath */
    public array $tails;

    /** @var list<int> each after all that it needs */
    public array $sorted;

    /**
     * @param list<Breath> $breaths
     * @param int $people 1 or 2
     * @param list<float> $releases from when each may begin
     *
     * @throws BadInput at `joints` if two need each other
     */
    public function __construct(public array $breaths, public int $people, public array $releases)
    {
        $lags = $waits = [];
        foreach ($breaths as $i => $breath) {
            foreach ($breaths as $k => $before) {
                $lag = $i === $k ? null : $breath->lagMin($before);
                if ($lag !== null) {
                    $lags[$k][$i] = $lag;
                    $waits[$i][$k] = $lag;
                }
            }
        }
        [$this->lags, $this->waits] = [$lags, $waits];
        $this->sorted = self::inOrder($breaths, $waits, $lags);
        $tails = array_map(static fn (Breath $breath): float => $breath->fillMin, $breaths);
        foreach (array_reverse($this->sorted) as $i) {
            foreach ($lags[$i] ?? [] as $next => $lag) {
                $tails[$i] = max($tails[$i], $lag + $tails[$next]);
            }
        }
        $this->tails = array_values($tails);
    }

    /** How many people are on a breath: no more than there are. */
    public function peopleOn(int $breath): int
    {
        return min($this->people, $this->breaths[$breath]->people);
    }

    /**
     * Gives when all of it may be filled at the earliest, by the longest chain and by the hands that there are: no plan
     * is shorter.
     */
    public function boundMin(): float
    {
        $heads = $this->releases;
        foreach ($this->sorted as $i) {
            foreach ($this->lags[$i] ?? [] as $next => $lag) {
                $heads[$next] = max($heads[$next], $heads[$i] + $lag);
            }
        }
        $bound = 0.0;
        foreach (array_keys($this->breaths) as $i) {
            $bound = max($bound, $heads[$i] + $this->tails[$i]);
        }

        return max($bound, $this->handsBound(array_values($heads)));
    }

    /**
     * Of any number of breaths: the first begins no sooner than its head, all hands on them take their time, and after
     * the last of them its tail is still to wait.
     *
     * @param list<float> $heads
     */
    private function handsBound(array $heads): float
    {
        $after = [];
        foreach ($this->breaths as $i => $breath) {
            $after[$i] = $this->tails[$i] - $breath->minutes;
        }
        arsort($after);
        $bound = 0.0;
        foreach (array_unique($heads) as $head) {
            $work = 0.0;
            foreach ($after as $i => $tail) {
                if ($heads[$i] >= $head) {
                    $work += $this->breaths[$i]->minutes * $this->peopleOn($i);
                    $bound = max($bound, $head + $work / $this->people + $tail);
                }
            }
        }

        return $bound;
    }

    /**
     * @param list<Breath> $breaths
     * @param array<int, array<int, float>> $waits
     * @param array<int, array<int, float>> $lags
     * @return list<int>
     *
     * @throws BadInput
     */
    private static function inOrder(array $breaths, array $waits, array $lags): array
    {
        $left = array_map(static fn (int $i): int => count($waits[$i] ?? []), array_keys($breaths));
        $ready = array_keys($left, 0, true);
        $order = [];
        while ($ready !== []) {
            $i = array_shift($ready);
            $order[] = $i;
            foreach (array_keys($lags[$i] ?? []) as $next) {
                if (--$left[$next] === 0) {
                    $ready[] = $next;
                }
            }
        }
        if (count($order) < count($breaths)) {
            $stuck = array_diff(array_keys($breaths), $order);
            $ids = array_map(static fn (int $i): string => $breaths[$i]->joints[0]->id, $stuck);
            throw BadInput::at('joints', 'need each other: '.implode(', ', $ids));
        }

        return $order;
    }
}
