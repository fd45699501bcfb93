<?php

declare(strict_types=1);

namespace FallBend\Core\Cutting;

use FallBend\Core\Geometry\Vec3;
use FallBend\Core\Layout\Piece;
use FallBend\Core\Measure\Tolerance;

/**
 * What has still to be cut, once some pieces came out longer or shorter than they were meant to be. The end of the run
 * stays where it is. The next piece of the same leg that is not cut yet takes the difference;
 * where there is none, the fewest other pieces do that together lead as far the same way: one that lies along it, or
 * two, or three whose directions span it. Nothing else moves.
 */
final readonly class MeasuredBack
{
    /** Nearer to its length than this a piece came out as it was meant to. */
    private const SAME_MM = 0.05;

    /** So much may be left of a difference that others take up, of it. */
    private const SHARE = 1e-6;

    /** No piece changes by more than so many times the difference. */
    private const MOST = 2.5;

    /** @var array<string, float> what every piece is to be cut to now, or was cut to, by key */
    public array $lengths;

    /** What nothing takes up: so far the end lies beside its place. */
    public Vec3 $missed;

    /**
     * @param list<Piece> $pieces of a run, in the order of flow
     * @param array<string, float> $cut lengths really cut, by key of the piece
     */
    public function __construct(private array $pieces, private array $cut)
    {
        [$lengths, $missed] = [[], new Vec3(0.0, 0.0, 0.0)];
        foreach ($pieces as $piece) {
            $lengths[$piece->key] = $piece->cutMm;
        }
        foreach ($pieces as $piece) {
            $off = ($cut[$piece->key] ?? $piece->cutMm) - $piece->cutMm;
            if (abs($off) < self::SAME_MM) {
                continue;
            }
            $lengths[$piece->key] += $off;
            // Within its doubt a piece was trimmed to what its fittings are: nothing else moves.
            if (abs($off) <= $piece->doubtMm()) {
                continue;
            }
            $changes = $this->taken($piece, $off);
            if ($changes === null) {
                $missed = $missed->plus($piece->direction->times($off));
            }
            foreach ($changes ?? [] as $key => $by) {
                $lengths[$key] += $by;
            }
        }
        [$this->lengths, $this->missed] = [$lengths, $missed];
    }

    /**
     * Gives what follows once a piece that is left is cut, in a form that only has to be added up: every other piece is
     * then `zero_mm`, and `per_mm` more for each millimetre that the piece came out longer than it was laid out, where
     * that is more than `within_mm`. The form is exact: which pieces take a difference up does not rest on how large it
     * is.
     *
     * @param string $key of a piece that is not cut
     * @return array{
     *     within_mm: float,
     *     taken: bool,
     *     others: list<array{key: string, zero_mm: float, per_mm: float}>,
     * }|null those that are other than they are now, or would be; not `taken` where no pieces that are left lead that
     *     way; null where the piece is cut
     */
    public function whenCut(string $key): ?array
    {
        $piece = array_column($this->pieces, null, 'key')[$key] ?? null;
        if ($piece === null || isset($this->cut[$key])) {
            return null;
        }
        $then = new self($this->pieces, $this->cut + [$key => $piece->cutMm]);
        $taken = $then->taken($piece, 1.0);
        $others = [];
        foreach ($this->pieces as $one) {
            [$zero, $per] = [$then->lengths[$one->key], $taken[$one->key] ?? 0.0];
            if ($one->key !== $key && ($per !== 0.0 || abs($zero - $this->lengths[$one->key]) > self::SAME_MM)) {
                $others[] = ['key' => $one->key, 'zero_mm' => $zero, 'per_mm' => $per];
            }
        }

        return [
            'within_mm' => max(self::SAME_MM, $piece->doubtMm()),
            'taken' => $taken !== null,
            'others' => $others,
        ];
    }

    /**
     * @return array<string, float>|null by how much which pieces change; null where no pieces that are left lead that
     *     way
     */
    private function taken(Piece $piece, float $off): ?array
    {
        $open = $this->open($piece);
        foreach ($open as $one) {
            if ($one->leg === $piece->leg) {
                return [$one->key => -$off];
            }
        }
        $wanted = $piece->direction->times(-$off);
        // One piece of every leg: the first of it that is not cut.
        $ofLegs = [];
        foreach ($open as $one) {
            $ofLegs[$one->leg] ??= $one;
        }
        foreach ([1, 2, 3] as $count) {
            foreach (self::choices(array_values($ofLegs), $count) as $choice) {
                $by = self::solve(array_map(static fn (Piece $one): Vec3 => $one->direction, $choice), $wanted);
                if ($by !== null) {
                    return array_combine(array_map(static fn (Piece $one): string => $one->key, $choice), $by);
                }
            }
        }

        return null;
    }

    /** @return list<Piece> those that are not cut: downstream of it first, the nearest first */
    private function open(Piece $of): array
    {
        [$before, $after, $isAfter] = [[], [], false];
        foreach ($this->pieces as $piece) {
            $isAfter = $isAfter || $piece->key === $of->key;
            if (! isset($this->cut[$piece->key]) && $piece->key !== $of->key) {
                $isAfter ? ($after[] = $piece) : array_unshift($before, $piece);
            }
        }

        return [...$after, ...$before];
    }

    /**
     * @param list<Piece> $pieces
     * @return list<list<Piece>> every choice of so many, the nearest first
     */
    private static function choices(array $pieces, int $count): array
    {
        if ($count === 0) {
            return [[]];
        }
        $choices = [];
        foreach ($pieces as $i => $piece) {
            foreach (self::choices(array_slice($pieces, $i + 1), $count - 1) as $others) {
                $choices[] = [$piece, ...$others];
            }
        }

        return $choices;
    }

    /**
     * Lengths along one to three directions that lead to a place exactly, by Gauss and Gram; null where they do not.
     *
     * @param list<Vec3> $directions
     * @return list<float>|null
     */
    private static function solve(array $directions, Vec3 $wanted): ?array
    {
        $n = count($directions);
        $rows = [];
        foreach ($directions as $i => $u) {
            foreach ($directions as $j => $v) {
                $rows[$i][$j] = $u->dot($v);
            }
            $rows[$i][$n] = $u->dot($wanted);
        }
        for ($i = 0; $i < $n; $i++) {
            if (abs($rows[$i][$i]) < self::SHARE) {
                return null;
            }
            for ($k = 0; $k < $n; $k++) {
                if ($k !== $i) {
                    $factor = $rows[$k][$i] / $rows[$i][$i];
                    for ($j = $i; $j <= $n; $j++) {
                        $rows[$k][$j] -= $factor * $rows[$i][$j];
                    }
                }
            }
        }
        $by = [];
        $reached = new Vec3(0.0, 0.0, 0.0);
        foreach ($directions as $i => $u) {
            $by[$i] = $rows[$i][$n] / $rows[$i][$i];
            $reached = $reached->plus($u->times($by[$i]));
        }

        // Two that lead nearly the same way would have to go far forth and back.
        $isFar = max([0.0, ...array_map(abs(...), $by)]) > self::MOST * $wanted->length();

        return $isFar || $reached->minus($wanted)->length() > self::SHARE * $wanted->length() + Tolerance::SUM
            ? null
            : array_values($by);
    }
}
