<?php

declare(strict_types=1);

namespace FallBend\Core\CallOut;

use FallBend\Core\Input\BadInput;
use FallBend\Core\Job\Leg;
use FallBend\Core\Job\Run;

/**
 * Gives the legs of a new reading the ids of the legs that they are: a longest common subsequence of legs that say the
 * same keep theirs,
 * and between two of those, old legs and new ones pair off in order. What is left over is new.
 * Common starts and ends are matched first, so that the table (Wagner and Fischer, 1974) is only as large as what was
 * changed.
 */
final class LegMatcher
{
    /**
     * @param list<Leg> $old
     * @param list<Leg> $new without ids
     * @param int $next number of the next free id
     * @return array{list<Leg>, int} the new legs with ids, and the next free number
     *
     * @throws BadInput if there is no number left
     */
    public static function match(array $old, array $new, int $next): array
    {
        [$start, $ends] = [0, 0];
        $shorter = min(count($old), count($new));
        while ($start < $shorter && $old[$start]->saysTheSame($new[$start])) {
            $start++;
        }
        while ($ends < $shorter - $start && $old[count($old) - 1 - $ends]->saysTheSame($new[count($new) - 1 - $ends])) {
            $ends++;
        }
        $legs = [];
        for ($i = 0; $i < $start; $i++) {
            $legs[] = $new[$i]->withId($old[$i]->id);
        }
        foreach (
            self::middle(
                array_slice($old, $start, count($old) - $start - $ends),
                array_slice($new, $start, count($new) - $start - $ends),
            ) as [$leg, $id]
        ) {
            $legs[] = $leg->withId($id ?? 'l'.$next++);
        }
        for ($i = $ends; $i > 0; $i--) {
            $legs[] = $new[count($new) - $i]->withId($old[count($old) - $i]->id);
        }

        if ($next > Run::LEGS_END) {
            throw BadInput::at('', 'A run has used up the numbers of its legs. Start another run for what is new.');
        }

        return [$legs, $next];
    }

    /**
     * @param list<Leg> $old
     * @param list<Leg> $new
     * @return list<array{Leg, ?string}>
     */
    private static function middle(array $old, array $new): array
    {
        $common = self::commonLengths($old, $new);
        $matched = [];
        [$i, $j, $gapOld, $gapNew] = [0, 0, [], []];
        while ($i < count($old) || $j < count($new)) {
            if ($i < count($old) && $j < count($new) && $old[$i]->saysTheSame($new[$j])) {
                $matched = [...$matched, ...self::pairOff($gapOld, $gapNew), [$new[$j++], $old[$i++]->id]];
                [$gapOld, $gapNew] = [[], []];
            } elseif ($j >= count($new) || ($i < count($old) && $common[$i + 1][$j] >= $common[$i][$j + 1])) {
                $gapOld[] = $old[$i++];
            } else {
                $gapNew[] = $new[$j++];
            }
        }

        return [...$matched, ...self::pairOff($gapOld, $gapNew)];
    }

    /**
     * @param list<Leg> $old
     * @param list<Leg> $new
     * @return list<array{Leg, ?string}>
     */
    private static function pairOff(array $old, array $new): array
    {
        $pairs = [];
        foreach ($new as $n => $leg) {
            $pairs[] = [$leg, $old[$n]->id ?? null];
        }

        return $pairs;
    }

    /**
     * @param list<Leg> $old
     * @param list<Leg> $new
     * @return array<int, array<int, int>> length of the longest common subsequence of what follows old i and new j
     */
    private static function commonLengths(array $old, array $new): array
    {
        $table = array_fill(0, count($old) + 1, array_fill(0, count($new) + 1, 0));
        for ($i = count($old) - 1; $i >= 0; $i--) {
            for ($j = count($new) - 1; $j >= 0; $j--) {
                $table[$i][$j] = $old[$i]->saysTheSame($new[$j])
                    ? $table[$i + 1][$j + 1] + 1
                    : max($table[$i + 1][$j], $table[$i][$j + 1]);
            }
        }

        return $table;
    }
}
