<?php

declare(strict_types=1);

namespace FallBend\Core\Cutting;

/**
 * How many sticks there must be, whatever is cut with what: parts longer than half a stick share with none of their
 * kind, and shorter ones only go in beside them as far as there is room.
 * The bound L2 of Martello and Toth (Knapsack Problems, 1990, section 8.3), over every length that a part has.
 */
final class SharingBound
{
    /**
     * @param list<int> $sizes the longest first
     * @param array<int, int> $counts
     */
    public static function sticks(array $sizes, array $counts, int $capacity): int
    {
        $best = 0;
        foreach ([...$sizes, 0] as $short) {
            if (2 * $short > $capacity) {
                continue;
            }
            [$alone, $half, $halfLength, $shortLength] = [0, 0, 0, 0];
            foreach ($sizes as $i => $size) {
                if ($size > $capacity - $short) {
                    $alone += $counts[$i];
                } elseif (2 * $size > $capacity) {
                    $half += $counts[$i];
                    $halfLength += $counts[$i] * $size;
                } elseif ($size >= $short) {
                    $shortLength += $counts[$i] * $size;
                }
            }
            $over = $shortLength - ($half * $capacity - $halfLength);
            $best = max($best, $alone + $half + ($over > 0 ? intdiv($over + $capacity - 1, $capacity) : 0));
        }

        return $best;
    }
}
