<?php

declare(strict_types=1);

namespace FallBend\Core\Cutting;

use FallBend\Core\Effort\Effort;

/**
 * What one stick can be filled with: the longest part that is left, and others with it, so that no more is left over
 * than is allowed, and no part that is left would still go in. (A stick that
 * could take one part more never does worse with it.) Parts are gone through from long to short; the last one is looked
 * up.
 */
final class Fills
{
    private const EVERY = 250;

    /** @var list<array<int, int>> how many of each size, by its index */
    private array $found = [];

    /** @var array<int, int> */
    private array $chosen = [];

    private int $nodes = 0;

    private int $most = 0;

    private int $mostNodes = 0;

    private int $window = 0;

    private int $shortest = 0;

    private bool $isWhole = true;

    /** Parts with a hub that the stick still has one for. */
    private int $hubs = PHP_INT_MAX;

    /**
     * @param list<int> $sizes the longest first, each once
     * @param array<int, bool> $hasHub which of them keep a hub; those that are not named keep none
     */
    public function __construct(
        private readonly array $sizes,
        private readonly Effort $guard,
        private readonly array $hasHub = [],
    ) {}

    /**
     * Gives fills with the part `$first` in them.
     *
     * @param array<int, int> $counts how many of each size are left
     * @param int $window what may be left over
     * @param int $most so many fills are enough
     * @param int $mostNodes so many choices may be looked at
     * @param int $hubs parts that keep a hub which the stick has one for
     * @return list<array{array<int, int>, int}> sizes by index, and what is left over
     */
    public function with(
        int $first,
        array $counts,
        int $capacity,
        int $window,
        int $most,
        int $mostNodes,
        int $hubs = PHP_INT_MAX,
    ): array {
        $this->hubs = $hubs - (int) ($this->hasHub[$first] ?? false);
        [$this->found, $this->nodes, $this->most, $this->mostNodes, $this->window, $this->isWhole] = [
            [],
            0,
            $most,
            $mostNodes,
            $window,
            true,
        ];
        $this->shortest = 0;
        $length = 0;
        foreach ($counts as $i => $count) {
            if ($count > 0) {
                $this->shortest = $this->sizes[$i];
                $length += $count * $this->sizes[$i];
            }
        }
        $counts[$first]--;
        $this->chosen = [$first => 1];
        $this->extend($first, $counts, $capacity - $this->sizes[$first], $length - $this->sizes[$first]);
        $fills = [];
        foreach ($this->found as $fill) {
            $left = $capacity;
            foreach ($fill as $i => $count) {
                $left -= $count * $this->sizes[$i];
            }
            $fills[] = [$fill, $left];
        }

        return $fills;
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

    /**
     * @param array<int, int> $counts
     * @param int $left capacity
     * @param int $length of all parts from this size on
     */
    private function extend(int $from, array $counts, int $left, int $length): void
    {
        if (count($this->found) >= $this->most || $this->nodes >= $this->mostNodes) {
            $this->isWhole = false;

            return;
        }
        $this->count();
        if ($left <= $this->window && ! $this->fitsOne($counts, $left)) {
            $this->found[] = $this->chosen;

            return;
        }
        $sizes = $this->sizes;
        for ($i = $from, $n = count($sizes); $i < $n && $length >= $left - $this->window; $i++) {
            if ($counts[$i] === 0 || $this->lacksHub($i)) {
                continue;
            }
            $hub = (int) ($this->hasHub[$i] ?? false);
            $rest = $left - $sizes[$i];
            // What is left afterwards is little enough, or something still goes in.
            if ($rest >= 0 && ($rest <= $this->window || $rest >= $this->shortest)) {
                $counts[$i]--;
                $this->hubs -= $hub;
                $this->chosen[$i] = ($this->chosen[$i] ?? 0) + 1;
                if ($rest <= $this->window || $this->isReachable($i, $counts, $rest, $length - $sizes[$i])) {
                    $this->extend($i, $counts, $rest, $length - $sizes[$i]);
                }
                $counts[$i]++;
                $this->hubs += $hub;
                if (--$this->chosen[$i] === 0) {
                    unset($this->chosen[$i]);
                }
                if (count($this->found) >= $this->most || $this->nodes >= $this->mostNodes) {
                    $this->isWhole = false;

                    return;
                }
            }
            $length -= $counts[$i] * $sizes[$i];
        }
    }

    /**
     * Where no two parts go in any more, the one that does must be there: it is looked up.
     *
     * @param array<int, int> $counts
     */
    private function isReachable(int $from, array $counts, int $left, int $length): bool
    {
        if ($length < $left - $this->window) {
            return false;
        }
        if ($left >= 2 * $this->shortest) {
            return true;
        }
        $this->count();
        [$low, $high] = [$from, count($this->sizes) - 1];
        while ($low < $high) {
            $middle = intdiv($low + $high, 2);
            if ($this->sizes[$middle] <= $left) {
                $high = $middle;
            } else {
                $low = $middle + 1;
            }
        }
        for ($i = $low, $n = count($this->sizes); $i < $n && $this->sizes[$i] >= $left - $this->window; $i++) {
            if ($counts[$i] > 0 && $this->sizes[$i] <= $left) {
                return true;
            }
        }

        return false;
    }

    /** Whether there is still time is asked now and then. */
    private function count(): void
    {
        $this->nodes++;
        if ($this->nodes % self::EVERY === 0 && ! $this->guard->spend(self::EVERY)) {
            $this->mostNodes = 0;
        }
    }

    /** @param array<int, int> $counts */
    private function fitsOne(array $counts, int $left): bool
    {
        if ($left < $this->shortest) {
            return false;
        }
        foreach ($counts as $i => $count) {
            if ($count > 0 && $this->sizes[$i] <= $left && ! $this->lacksHub($i)) {
                return true;
            }
        }

        return false;
    }

    /** Whether a part keeps a hub, and the stick has none left for it. */
    private function lacksHub(int $i): bool
    {
        return $this->hubs <= 0 && ($this->hasHub[$i] ?? false);
    }
}
