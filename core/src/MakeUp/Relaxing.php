<?php

declare(strict_types=1);

namespace FallBend\Core\MakeUp;

use FallBend\Core\Effort\Effort;

/**
 * Where nothing can be made up: which single condition, given way by how much, lets something. Each is tried as far as
 * it can go, then halved in between.
 */
final readonly class Relaxing
{
    /** Halvings between what was asked and what certainly gives a solution. */
    private const HALVINGS = 7;

    /** Joints are not sprung further than this, even in thought. */
    private const PLAY_MOST_DEG = 3.0;

    private const FALL_MOST = 267.0;

    /**
     * @param int $effort of each search, see `Search`
     * @param ?SearchResult $found of the search that found nothing: it knows which ways a single box stands in
     * @param ?Effort $guard ends it when time or memory is over
     */
    public function __construct(
        private Problem $problem,
        private int $effort = 100_000,
        private ?SearchResult $found = null,
        private ?Effort $guard = null,
    ) {}

    /** @return list<Relaxed> each condition that is enough by itself; not all of them where the guard ended it */
    public function all(): array
    {
        $p = $this->problem;
        $found = [];
        for ($bends = $p->maxBends + 1; $bends <= 4 && $found === []; $bends++) {
            $solution = $this->solve(['maxBends' => $bends]);
            $found = $solution === null ? [] : [new Relaxed('max_bends', $p->maxBends, $bends, $solution)];
        }
        $found[] =
            $p->minLegMm > 0
                ? $this->between('min_leg_mm', $p->minLegMm, 0.0, static fn (float $mm): array => ['minLegMm' => $mm])
                : null;
        $found[] =
            $p->fallLeast === null
                ? null
                : $this->between(
                    'fall_least',
                    $p->fallLeast,
                    -self::FALL_MOST,
                    static fn (float $fall): array => ['fallLeast' => $fall],
                );
        $found[] =
            $p->fallMost === null
                ? null
                : $this->between(
                    'fall_most',
                    $p->fallMost,
                    self::FALL_MOST,
                    static fn (float $fall): array => ['fallMost' => $fall],
                );
        $found[] = $this->between(
            'play_deg',
            $p->playDeg,
            self::PLAY_MOST_DEG,
            static fn (float $deg): array => ['playDeg' => $deg],
        );
        if ($p->boxes !== []) {
            $found[] = $this->between(
                'clearance_mm',
                $p->radiusMm,
                0.0,
                static fn (float $mm): array => ['radiusMm' => $mm],
            );
            array_push($found, ...$this->withoutABox());
        }

        return array_values(array_filter($found, static fn (?Relaxed $one): bool => $one !== null));
    }

    /**
     * @param callable(float): array{minLegMm?: float, playDeg?: float, fallLeast?: ?float, fallMost?: ?float, radiusMm?: float} $with
     */
    private function between(string $condition, float $from, float $furthest, callable $with): ?Relaxed
    {
        $solution = $this->solve($with($furthest));
        if ($solution === null) {
            return null;
        }
        [$no, $yes] = [$from, $furthest];
        for ($i = 0; $i < self::HALVINGS; $i++) {
            $middle = ($no + $yes) / 2;
            $other = $this->solve($with($middle));
            if ($other === null) {
                $no = $middle;
            } else {
                [$yes, $solution] = [$middle, $other];
            }
        }

        return new Relaxed($condition, $from, $yes, $solution);
    }

    /** @return list<Relaxed> */
    private function withoutABox(): array
    {
        $blocked = $this->found ?? (new Search($this->problem, $this->effort, $this->guard))->run();
        $found = [];
        foreach ($this->problem->boxes as $i => $box) {
            $solution = $blocked->blocked[$i] ?? null;
            if ($solution === null) {
                continue;
            }
            $nearest = INF;
            foreach (array_slice($solution->points, 1) as $n => $point) {
                $nearest = min($nearest, $box->distanceTo($solution->points[$n], $point));
            }
            $found[] = new Relaxed('obstacle', $this->problem->radiusMm, $nearest, $solution, $box->what);
        }

        return $found;
    }

    /**
     * @param array{maxBends?: int, minLegMm?: float, playDeg?: float, fallLeast?: ?float, fallMost?: ?float,
     *     boxes?: list<Box>, radiusMm?: float} $with
     */
    private function solve(array $with): ?Solution
    {
        $problem = $this->problem->with($with);
        // Four bends take long, and one condition is to be enough by itself.
        $few = isset($with['maxBends']) ? $problem : $problem->with(['maxBends' => min(3, $problem->maxBends)]);

        return (new Search($few, $this->effort, $this->guard))->run()->solutions[0] ?? null;
    }
}
