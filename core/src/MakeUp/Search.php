<?php

declare(strict_types=1);

namespace FallBend\Core\MakeUp;

use FallBend\Core\Effort\Effort;
use FallBend\Core\Measure\Tolerance;

/**
 * Searches the ways of making up pipe between two ends: every sequence of bends, the fewest first, with rolls and
 * lengths as they come out, not in steps.
 * What few directions there are with up to two bends are tried one by one; along the families of three and four the
 * search goes in steps, and from the best of them
 * feels its way on (golden section) to where a chain can be built, and to the least pipe.
 */
final class Search
{
    /** Steps along a family, degrees. */
    private const STEP_DEG = 9.0;

    private const STEP_FOUR_DEG = 24.0;

    private const GOLDEN = 0.6180339887498949;

    /** How many halvings of a step by the golden section: to a thousandth of a degree. */
    private const CLOSING = 20;

    /** Steps by which what the joints give is felt for. */
    private const FEELING = 14;

    private const NEIGHBOURS = [[1, 0], [-1, 0], [0, 1], [0, -1], [1, 1], [1, -1], [-1, 1], [-1, -1]];

    /** Solutions that are kept. */
    private const MOST = 12;

    /** Solutions that are held before the worst are let go. */
    private const MOST_BUILT = 4_000;

    /** What building a chain costs beside looking at one. */
    private const BUILT = 3;

    private readonly Families $families;

    /** @var list<Solution> */
    private array $solutions = [];

    /** @var array<int, Solution> by index of the one box that stands in the way */
    private array $blocked = [];

    private int $sequences = 0;

    private bool $isExhaustive = true;

    /** Chains that were looked at. */
    private int $looked = 0;

    /** Chains that a search looks at when nobody says how many: with up to three bends it never needs so many. */
    public const EFFORT = 1_500_000;

    /**
     * @param int $effort how many chains it may look at; what is not tried by then is said. Not a time: the same
     *     question has
     *                    the same answer
     * @param ?Effort $guard ends the search when time or memory is over
     */
    public function __construct(
        private readonly Problem $problem,
        private readonly int $effort = self::EFFORT,
        private readonly ?Effort $guard = null,
    ) {
        $this->families = new Families($problem);
    }

    /** Searches; gives what was found, and how much of it all was tried. */
    public function run(): SearchResult
    {
        $n = 0;
        for (; $n <= $this->problem->maxBends; $n++) {
            $sequences = $this->sequencesOf($n);
            $this->sequences += count($sequences);
            $this->tryAll($sequences);
            // A single bend leaves no choice; a second fitting gives some.
            if ($this->solutions !== [] && $n !== 1 && $n !== 0) {
                break;
            }
        }

        return new SearchResult(
            $this->ranked(),
            $this->sequences,
            min($n, $this->problem->maxBends),
            $this->isExhaustive,
            $this->blocked,
        );
    }

    /**
     * With pipe in every leg first; only where that leads nowhere, with a street bend in the fitting or the socket
     * before it.
     *
     * @param list<list<Turning>> $turnings
     */
    private function tryAll(array $turnings): void
    {
        $sequences = array_map(fn (array $one): Sequence => Sequence::of($this->problem, $one), $turnings);
        foreach ($sequences as $sequence) {
            foreach ($this->withEnds($sequence) as $one) {
                $this->try($one);
            }
        }
        foreach ($this->solutions === [] ? $sequences : [] as $sequence) {
            for ($leg = $this->problem->from->isSocket() ? 0 : 1; $leg < count($sequence->turnings); $leg++) {
                $close = $sequence->closeAt($leg);
                if ($close !== null) {
                    $this->try($close);
                }
            }
        }
    }

    /**
     * @return list<Sequence> with the first bend straight on the pipe that ends there, and with a coupling and a piece
     *     between; where the end is a socket only as it is
     */
    private function withEnds(Sequence $sequence): array
    {
        $all = [$sequence];
        $ends = [
            ...$this->problem->from->isSocket() ? [] : [0],
            ...$this->problem->to->isSocket() ? [] : [count($sequence->turnings)],
        ];
        foreach ($ends as $leg) {
            foreach ($all as $one) {
                $close = $one->closeAt($leg);
                if ($close !== null) {
                    $all[] = $close;
                }
            }
        }

        return $all;
    }

    private function try(Sequence $sequence): void
    {
        if ($this->isOver()) {
            return;
        }
        $chain = new Chain($sequence);
        $turns = array_map(static fn (Turning $turning): float => $turning->deg, $sequence->turnings);
        match (count($turns)) {
            0 => $this->keepAll($chain, $this->families->straight()),
            1 => $this->keepAll($chain, $this->families->one($turns[0])),
            2 => $this->tryTwo($chain, $turns[0], $turns[1]),
            3 => $this->tryThree($chain, $turns),
            default => $this->tryFour($chain, $turns),
        };
    }

    /**
     * With two bends exact turns first; only where those lead nowhere, turns that the joints give a little: felt for
     * from nothing given, in ever shorter steps.
     */
    private function tryTwo(Chain $chain, float $first, float $second): void
    {
        $before = count($this->solutions);
        $this->keepAll($chain, $this->families->two($first, $second));
        if ($this->problem->fallLeast !== null) {
            $this->keepAll($chain, $this->families->falling([$first, $second], $this->problem->fallLeast));
        }
        $give = 2 * $this->problem->playDeg;
        for ($branch = 0; $branch < 2 && $give > 0 && count($this->solutions) === $before; $branch++) {
            $worth = function (float $one, float $two) use ($chain, $first, $second, $branch): float {
                $sets = $this->families->two($first + $one, $second + $two);

                return isset($sets[$branch]) ? $chain->violation($sets[$branch]) : INF;
            };
            [$x, $y] = self::descend($worth, $give);
            $sets = $this->families->two($first + $x, $second + $y);
            if (isset($sets[$branch])) {
                $this->keep($chain, $sets[$branch]);
            }
        }
    }

    /**
     * Feels its way down in two dimensions, each within a bound: the eight neighbours at a step, then half the step.
     *
     * @param callable(float, float): float $worth
     * @return array{float, float}
     */
    private static function descend(callable $worth, float $bound): array
    {
        [$x, $y, $step] = [0.0, 0.0, $bound / 2];
        $here = $worth($x, $y);
        for ($i = 0; $i < self::FEELING && $here > 0.0; $i++) {
            $isBetter = false;
            foreach (self::NEIGHBOURS as [$dx, $dy]) {
                [$nx, $ny] = [max(-$bound, min($bound, $x + $dx * $step)), max(-$bound, min($bound, $y + $dy * $step))];
                $there = $worth($nx, $ny);
                if ($there < $here) {
                    [$x, $y, $here, $isBetter] = [$nx, $ny, $there, true];
                }
            }
            $step = $isBetter ? $step : $step / 2;
        }

        return [$x, $y];
    }

    /** @param list<float> $turns */
    private function tryThree(Chain $chain, array $turns): void
    {
        if ($this->problem->fallLeast !== null) {
            $this->keepAll($chain, $this->families->falling($turns, $this->problem->fallLeast));
        }
        foreach ($this->families->three($turns[0], $turns[1], $turns[2]) as $i => $family) {
            $special = $i === 0 ? $this->families->special($turns[0], $this->problem->fallLeast) : [];
            foreach ($special as $round) {
                $this->keepAll($chain, $family($round));
            }
            $this->along($chain, $family, self::STEP_DEG);
        }
    }

    /** @param list<float> $turns */
    private function tryFour(Chain $chain, array $turns): void
    {
        for ($out = 0.0; $out < 360.0; $out += self::STEP_FOUR_DEG) {
            if ($this->isOver()) {
                return;
            }
            $this->along(
                $chain,
                fn (float $in): array => $this->families->four($turns[0], $turns[1], $turns[2], $turns[3], $in, $out),
                self::STEP_FOUR_DEG,
            );
        }
    }

    /**
     * Goes round a family in steps, and from every step that is better than its neighbours on to the best between them.
     *
     * @param callable(float): list<list<array{float, float, float}>> $family
     */
    private function along(Chain $chain, callable $family, float $stepDeg): void
    {
        $values = [[], []];
        $steps = (int) round(360 / $stepDeg);
        for ($i = 0; $i < $steps; $i++) {
            $sets = $family($i * $stepDeg);
            foreach ([0, 1] as $branch) {
                $values[$branch][] = isset($sets[$branch]) ? $this->worth($chain, $sets[$branch]) : INF;
            }
        }
        foreach ([0, 1] as $branch) {
            for ($i = 0; $i < $steps; $i++) {
                $here = $values[$branch][$i];
                if (
                    $here < INF &&
                    $here <= $values[$branch][($i + $steps - 1) % $steps] &&
                    $here <= $values[$branch][($i + 1) % $steps]
                ) {
                    $this->close($chain, $family, $branch, ($i - 1) * $stepDeg, ($i + 1) * $stepDeg);
                }
            }
        }
    }

    /**
     * @param callable(float): list<list<array{float, float, float}>> $family
     */
    private function close(Chain $chain, callable $family, int $branch, float $low, float $high): void
    {
        $at = function (float $round) use ($chain, $family, $branch): float {
            $sets = $family($round);

            return isset($sets[$branch]) ? $this->worth($chain, $sets[$branch]) : INF;
        };
        $one = $high - self::GOLDEN * ($high - $low);
        $two = $low + self::GOLDEN * ($high - $low);
        [$worthOne, $worthTwo] = [$at($one), $at($two)];
        for ($i = 0; $i < self::CLOSING; $i++) {
            if ($worthOne <= $worthTwo) {
                [$high, $two, $worthTwo] = [$two, $one, $worthOne];
                $one = $high - self::GOLDEN * ($high - $low);
                $worthOne = $at($one);
            } else {
                [$low, $one, $worthOne] = [$one, $two, $worthTwo];
                $two = $low + self::GOLDEN * ($high - $low);
                $worthTwo = $at($two);
            }
        }
        foreach ([$one, $two, ($low + $high) / 2] as $round) {
            $sets = $family($round);
            if (isset($sets[$branch])) {
                $this->keep($chain, $sets[$branch]);
            }
        }
    }

    /**
     * What the search goes down along: how far a chain is from what can be built; for one that can be, less than
     * nothing, by how little pipe it takes.
     *
     * @param list<array{float, float, float}> $u
     */
    private function worth(Chain $chain, array $u): float
    {
        $this->looked++;
        $this->guard?->spend();
        $violation = $chain->violation($u);

        return $violation > 0.0 ? $violation : -1e9 + $chain->pipeMm($u);
    }

    /** @param list<list<array{float, float, float}>> $sets */
    private function keepAll(Chain $chain, array $sets): void
    {
        foreach ($sets as $u) {
            $this->keep($chain, $u);
        }
    }

    /** @param list<array{float, float, float}> $u */
    private function keep(Chain $chain, array $u): void
    {
        $this->looked++;
        $this->guard?->spend(self::BUILT);
        $solution = $chain->build($u);
        if ($solution === null) {
            return;
        }
        foreach (count($solution->bends()) > 0 ? range(0, count($solution->bends()) - 1) : [] as $i) {
            if ($solution->strainDeg($i) > $this->problem->playDeg + Tolerance::SUM) {
                return;
            }
        }
        $this->take($solution);
        foreach (array_slice($chain->sequence->alternatives(), 1) as $other) {
            $alternative = (new Chain($other))->build($u);
            if ($alternative !== null) {
                $this->take($alternative);
            }
        }
    }

    /**
     * Keeps what can be built and is clear of every box; of what a single box stands in the way of, the best for that
     * box.
     */
    private function take(Solution $solution): void
    {
        $hits = $solution->hits();
        if ($hits === []) {
            $this->solutions[] = $solution;
            if (count($this->solutions) > self::MOST_BUILT) {
                usort($this->solutions, static fn (Solution $a, Solution $b): int => $a->cost() <=> $b->cost());
                $this->solutions = array_slice($this->solutions, 0, intdiv(self::MOST_BUILT, 2));
            }
        } elseif (count($hits) === 1) {
            $best = $this->blocked[$hits[0]] ?? null;
            $this->blocked[$hits[0]] = $best === null || $solution->cost() < $best->cost() ? $solution : $best;
        }
    }

    private function isOver(): bool
    {
        $isOver = $this->looked > $this->effort || $this->guard?->isSpent() === true;
        $this->isExhaustive = $this->isExhaustive && ! $isOver;

        return $isOver;
    }

    /**
     * @return list<list<Turning>> every sequence of so many turns that can lead from one end to the other, the gentlest
     *     first
     */
    private function sequencesOf(int $bends): array
    {
        $all = [[]];
        for ($i = 0; $i < $bends; $i++) {
            $longer = [];
            foreach ($all as $sequence) {
                foreach ($this->problem->turnings as $turning) {
                    $longer[] = [...$sequence, $turning];
                }
            }
            $all = $longer;
        }
        $all = array_values(
            array_filter(
                $all,
                fn (array $sequence): bool => $sequence === [] ||
                    $this->families->reaches(array_map(static fn (Turning $turning): float => $turning->deg, $sequence)),
            ),
        );
        usort($all, static fn (array $a, array $b): int => self::sharpness($a) <=> self::sharpness($b));

        return $all;
    }

    /** @param list<Turning> $sequence */
    private static function sharpness(array $sequence): float
    {
        return array_sum(array_map(static fn (Turning $turning): float => $turning->deg ** 2, $sequence));
    }

    /** @return list<Solution> the best first, each once */
    private function ranked(): array
    {
        usort($this->solutions, static fn (Solution $a, Solution $b): int => $a->cost() <=> $b->cost());
        [$kept, $seen] = [[], []];
        foreach ($this->solutions as $solution) {
            $key = implode(' ', array_map(static fn ($bend): string => $bend->id, $solution->bends()));
            $isNew = true;
            foreach ($seen[$key] ?? [] as $other) {
                $isNew = $isNew && ! $solution->isLike($other);
            }
            if ($isNew) {
                $seen[$key][] = $solution;
                $kept[] = $solution;
            }
            if (count($kept) === self::MOST) {
                break;
            }
        }

        return $kept;
    }
}
