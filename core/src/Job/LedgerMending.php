<?php

declare(strict_types=1);

namespace FallBend\Core\Job;

/**
 * Mends ledgers of marks that cannot be read, in a decoded document: where two places have one mark, one of them keeps
 * it
 * (one that is cut before others) and the other takes the next free one. Nothing else of the document is touched.
 */
final class LedgerMending
{
    /**
     * Takes a decoded document of any version; gives it with ledgers that can be read, and what was changed, in words.
     *
     * @param array<array-key, mixed> $document
     * @param OnSite $site what is cut by the log; that of a document up to version 3 stands in it
     * @return array{array<array-key, mixed>, list<string>}
     */
    public static function mended(array $document, OnSite $site = new OnSite): array
    {
        $changes = [];
        $runs = is_array($document['runs'] ?? null) ? $document['runs'] : [];
        foreach ($runs as $i => $run) {
            if (is_array($run) && is_array($run['marks'] ?? null)) {
                $name = is_string($run['name'] ?? null) ? $run['name'] : "run {$i}";
                [$marks, $told] = self::marks($run['marks'], self::cut($document, $run['id'] ?? null, $site));
                $run['marks'] = $marks;
                $runs[$i] = $run;
                $changes = [
                    ...$changes,
                    ...array_map(static fn (string $change): string => "{$name}: {$change}", $told),
                ];
            }
        }

        return $changes === [] ? [$document, []] : [['runs' => $runs] + $document, $changes];
    }

    /**
     * @param array<array-key, mixed> $document
     * @return array<string, true> pieces of a run that are cut, by key
     */
    private static function cut(array $document, mixed $run, OnSite $site): array
    {
        $cutting = is_array($document['cutting'] ?? null) ? $document['cutting'] : [];
        $cut = array_fill_keys(array_keys(is_string($run) ? $site->cut[$run] ?? [] : []), true);
        foreach (is_array($cutting['cut'] ?? null) ? $cutting['cut'] : [] as $one) {
            if (is_array($one) && ($one['run'] ?? null) === $run && is_string($one['piece'] ?? null)) {
                $cut[$one['piece']] = true;
            }
        }

        return $cut;
    }

    /**
     * @param array<array-key, mixed> $marks
     * @param array<string, true> $cut
     * @return array{array<string, mixed>, list<string>}
     */
    private static function marks(array $marks, array $cut): array
    {
        $pieces = is_array($marks['pieces'] ?? null) ? $marks['pieces'] : [];
        $firstCut = array_intersect_key($pieces, $cut) + $pieces;
        [$letters, $nextPiece, $told] = self::without(
            $firstCut,
            static fn (mixed $mark): int => is_string($mark) && Marks::index($mark) < Marks::PIECES_END
                ? Marks::index($mark)
                : -1,
            Marks::letter(...),
            'piece',
        );
        [$numbers, $nextJoint, $more] = self::without(
            is_array($marks['joints'] ?? null) ? $marks['joints'] : [],
            static fn (mixed $mark): int => is_int($mark) && $mark >= 1 && $mark < Marks::JOINTS_END ? $mark - 1 : -1,
            static fn (int $index): int => $index + 1,
            'joint',
        );
        $told = [...$told, ...$more];
        $nextPiece = self::next($marks['next_piece'] ?? null, $nextPiece, Marks::PIECES_END, 'letter', $told);
        $nextJoint = self::next($marks['next_joint'] ?? null, $nextJoint + 1, Marks::JOINTS_END, 'number', $told);

        return [
            [
                'pieces' => $letters,
                'joints' => $numbers,
                'next_piece' => $nextPiece,
                'next_joint' => $nextJoint,
                ...isset($marks['figure']) ? ['figure' => $marks['figure']] : [],
            ],
            $told,
        ];
    }

    /**
     * @param array<array-key, mixed> $marks
     * @param callable(mixed): int $index of a mark; −1 of what is none
     * @param callable(int): (int|string) $mark with an index
     * @return array{array<string, int|string>, int, list<string>} marks without doubles, the next index, what was
     *     changed
     */
    private static function without(array $marks, callable $index, callable $mark, string $what): array
    {
        [$whole, $taken, $next, $told] = [[], [], 0, []];
        foreach ($marks as $given) {
            $next = max($next, $index($given) + 1);
        }
        foreach ($marks as $key => $given) {
            $place = $index($given);
            $isGood = $place >= 0 && ! isset($taken[$place]);
            $place = $isGood ? $place : $next++;
            $taken[$place] = true;
            $whole[(string) $key] = $mark($place);
            if (! $isGood) {
                $said = is_scalar($given) ? (string) $given : 'no mark';
                $told[] = "{$what} {$key} is {$whole[(string) $key]} now, not {$said}";
            }
        }

        return [$whole, $next, $told];
    }

    /** @param list<string> $told is added to */
    private static function next(mixed $given, int $least, int $most, string $what, array &$told): int
    {
        if ($given === null || (is_int($given) && $given >= $least && $given <= $most)) {
            return is_int($given) ? $given : $least;
        }
        $told[] = "the next {$what} follows the last that is used";

        return $least;
    }
}
