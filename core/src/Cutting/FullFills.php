<?php

declare(strict_types=1);

namespace FallBend\Core\Cutting;

use FallBend\Core\Effort\Effort;

/**
 * What fills a stick to the last hair: the longest part that is left, and others with it. The last two parts are not
 * gone through but looked up by the sum of their lengths, which is entered once for
 * every two sizes; so a stick of five parts costs as many looks as there are pairs of parts. Where few parts are left
 * the last three are looked up.
 */
final class FullFills
{
    /** Sums within this share a place in the table; no more may be left over of a stick, nm. */
    public const BUCKET = 4000;

    private const EVERY = 100;

    /** Two indexes in one number. */
    private const PACK = 65536;

    /** @var array<int, int|list<int>> pairs of sizes by the bucket of their sum */
    private array $pairs = [];

    /** @var array<int, int|list<int>> three sizes by the bucket of their sum; empty where they are not entered */
    private array $triples = [];

    /** @var array<int, int|list<int>> single sizes by bucket */
    private array $ones = [];

    /** @var list<array<int, int>> */
    private array $found = [];

    /** @var array<int, int> */
    private array $counts = [];

    /** @var list<int> */
    private array $chosen = [];

    private int $nodes = 0;

    private int $most = 0;

    private int $mostNodes = 0;

    private int $window = 0;

    private int $shortest = 0;

    private bool $isWhole = true;

    /**
     * @param list<int> $sizes the longest first, each once, nm
     * @param list<int> $entered indexes of the sizes that fills are made of
     * @param bool $isDeep the sums of three are entered too
     */
    public function __construct(
        private readonly array $sizes,
        private readonly array $entered,
        int $capacity,
        private readonly bool $isDeep,
        private readonly Effort $guard,
    ) {
        foreach ($entered as $a => $i) {
            // A table of three takes as long as many looks: what asks for one again and again has to see that time is
            // over.
            if (! $guard->spend($isDeep ? self::EVERY : 1)) {
                return;
            }
            self::enter($this->ones, intdiv($sizes[$i], self::BUCKET), $i);
            foreach (array_slice($entered, $a) as $b => $j) {
                $two = $sizes[$i] + $sizes[$j];
                if ($two > $capacity) {
                    continue;
                }
                self::enter($this->pairs, intdiv($two, self::BUCKET), $i * self::PACK + $j);
                foreach ($isDeep ? array_slice($entered, $a + $b) : [] as $k) {
                    if ($two + $sizes[$k] <= $capacity) {
                        self::enter(
                            $this->triples,
                            intdiv($two + $sizes[$k], self::BUCKET),
                            ($i * self::PACK + $j) * self::PACK + $k,
                        );
                    }
                }
            }
        }
    }

    /**
     * Whether it knows all that is left.
     *
     * @param list<int> $left indexes
     */
    public function knows(array $left): bool
    {
        return array_diff($left, $this->entered) === [];
    }

    /**
     * Gives fills with the part `$first` in them, see `Fills::with`.
     *
     * @param array<int, int> $counts
     * @return list<array{array<int, int>, int}>
     */
    public function with(int $first, array $counts, int $capacity, int $window, int $most, int $mostNodes): array
    {
        [$this->found, $this->nodes, $this->most, $this->mostNodes, $this->window] = [
            [],
            0,
            $most,
            $mostNodes,
            $window,
        ];
        // Of a table that was not entered to its end not everything is found.
        $this->isWhole = ! $this->guard->isSpent();
        $counts[$first]--;
        [$this->counts, $this->chosen] = [$counts, [$first]];
        $this->shortest =
            $this->sizes[
                max([$first, ...array_keys(array_filter($counts, static fn (int $count): bool => $count > 0))])
            ];
        $left = $capacity - $this->sizes[$first];
        if ($left <= $window) {
            $this->take([]);
        }
        foreach (self::at($this->ones, $left, $window) as $one) {
            if ($one >= $first && $this->counts[$one] > 0 && $this->isFull($left - $this->sizes[$one])) {
                $this->take([$one]);
            }
        }
        $this->extend($first, $left);

        return array_map(
            fn (array $fill): array => [
                $fill,
                $capacity -
                array_sum(
                    array_map(fn (int $i, int $count): int => $this->sizes[$i] * $count, array_keys($fill), $fill),
                ),
            ],
            $this->found,
        );
    }

    /** Whether all fills were found that there are. */
    public function isWhole(): bool
    {
        return $this->isWhole;
    }

    /** Choices that the last search looked at. */
    public function nodes(): int
    {
        return $this->nodes;
    }

    /** Two parts more, or three, or one and then as many or more. */
    private function extend(int $from, int $left): void
    {
        $this->nodes++;
        if ($this->nodes % self::EVERY === 0 && ! $this->guard->spend(self::EVERY)) {
            $this->mostNodes = 0;
        }
        if (! $this->isDeep || count($this->chosen) === 1) {
            $this->lookUp($this->pairs, 2, $from, $left);
        }
        if ($this->isDeep) {
            $this->lookUp($this->triples, 3, $from, $left);
        }
        $more = $this->isDeep ? 4 : 3;
        $most = $left - ($more - 1) * $this->shortest;
        for ($i = $from, $n = count($this->sizes); $i < $n && $more * $this->shortest <= $left; $i++) {
            if ($this->counts[$i] === 0 || $this->sizes[$i] > $most) {
                continue;
            }
            if (count($this->found) >= $this->most || $this->nodes >= $this->mostNodes) {
                $this->isWhole = false;

                return;
            }
            $this->counts[$i]--;
            $this->chosen[] = $i;
            $this->extend($i, $left - $this->sizes[$i]);
            array_pop($this->chosen);
            $this->counts[$i]++;
        }
    }

    /**
     * @param array<int, int|list<int>> $table pairs or triples
     * @param int $size 2 or 3
     */
    private function lookUp(array $table, int $size, int $from, int $left): void
    {
        foreach (self::at($table, $left, $this->window) as $packed) {
            $more = [intdiv($packed, self::PACK) % self::PACK, $packed % self::PACK];
            if ($size === 3) {
                array_unshift($more, intdiv($packed, self::PACK ** 2));
            }
            $length = 0;
            foreach ($more as $i) {
                $length += $this->sizes[$i];
            }
            if ($more[0] >= $from && $this->isFull($left - $length) && $this->areLeft($more)) {
                $this->take($more);
            }
        }
    }

    /** @param list<int> $more */
    private function areLeft(array $more): bool
    {
        foreach (array_count_values($more) as $i => $count) {
            if ($this->counts[$i] < $count) {
                return false;
            }
        }

        return true;
    }

    private function isFull(int $left): bool
    {
        return $left >= 0 && $left <= $this->window;
    }

    /** @param list<int> $more */
    private function take(array $more): void
    {
        if (count($this->found) < $this->most) {
            $this->found[] = array_count_values([...$this->chosen, ...$more]);
        } else {
            $this->isWhole = false;
        }
    }

    /** @param array<int, int|list<int>> $table */
    private static function enter(array &$table, int $key, int $value): void
    {
        if (! isset($table[$key])) {
            $table[$key] = $value;
        } elseif (is_int($table[$key])) {
            $table[$key] = [$table[$key], $value];
        } else {
            $table[$key][] = $value;
        }
    }

    /**
     * @param array<int, int|list<int>> $table
     * @return list<int> what lies within the window under a length, and some beside it
     */
    private static function at(array $table, int $length, int $window): array
    {
        [$low, $high] = [intdiv(max(0, $length - $window), self::BUCKET), intdiv(max(0, $length), self::BUCKET)];
        $found = isset($table[$high]) ? (is_int($table[$high]) ? [$table[$high]] : $table[$high]) : [];
        if ($low !== $high && isset($table[$low])) {
            $found = [...$found, ...is_int($table[$low]) ? [$table[$low]] : $table[$low]];
        }

        return $found;
    }
}
