<?php

declare(strict_types=1);

namespace FallBend\Core\MakeUp;

use FallBend\Core\Measure\Tolerance;

/**
 * How long every leg must be for a chain of known directions to lead from one point to another, with the least pipe:
 * least Σ L with Σ L·u = D and L ≥ m.
 * With L' = L − m it asks for D' = D − Σ m·u as a sum of directions none of which goes backward. The least sum lies on
 * a corner, where at most three legs are
 * longer than they must be (linear programming: a basic solution); there are so few that all of them are tried.
 * Vectors are lists of three floats: this is asked for tens of thousands of times.
 */
final class Lengths
{
    /** How far a chain may miss where its directions lie in one plane or line, mm. */
    public const MISS_MM = 1.0;

    private const FLAT = 1e-7;

    /**
     * @param list<array{float, float, float}> $u directions
     * @param list<float> $least of each leg, mm
     * @param array{float, float, float} $d from the first point to the last
     * @return array{list<float>, float, float}|null lengths, how far they miss, their sum; null where there are none
     */
    public static function least(array $u, array $least, array $d): ?array
    {
        [$x, $y, $z] = self::rest($u, $least, $d);
        $n = count($u);
        [$best, $bestMore, $bestMiss] = [null, INF, 0.0];
        for ($i = 0; $i < $n; $i++) {
            for ($j = $i + 1; $j < $n; $j++) {
                for ($k = $j + 1; $k < $n; $k++) {
                    $three = self::three($u[$i], $u[$j], $u[$k], $x, $y, $z);
                    if (
                        $three !== null &&
                        $three[0] >= -1e-7 &&
                        $three[1] >= -1e-7 &&
                        $three[2] >= -1e-7 &&
                        $bestMore > $three[0] + $three[1] + $three[2]
                    ) {
                        [$best, $bestMore, $bestMiss] = [
                            [$i => $three[0], $j => $three[1], $k => $three[2]],
                            $three[0] + $three[1] + $three[2],
                            0.0,
                        ];
                    }
                }
                $two = self::two($u[$i], $u[$j], $x, $y, $z);
                if ($two !== null && $bestMore - Tolerance::SUM > $two[0] + $two[1]) {
                    [$best, $bestMore, $bestMiss] = [[$i => $two[0], $j => $two[1]], $two[0] + $two[1], $two[2]];
                }
            }
            $one = $u[$i][0] * $x + $u[$i][1] * $y + $u[$i][2] * $z;
            $off = sqrt(max(0.0, $x * $x + $y * $y + $z * $z - $one * $one));
            if ($one >= 0 && $off <= self::MISS_MM && $one < $bestMore - Tolerance::SUM) {
                [$best, $bestMore, $bestMiss] = [[$i => $one], $one, $off];
            }
        }
        if ($best === null) {
            return null;
        }
        $lengths = $least;
        foreach ($best as $i => $more) {
            $lengths[$i] += max(0.0, $more);
        }

        return [array_values($lengths), $bestMiss, array_sum($lengths)];
    }

    /**
     * Gives by how much the worst leg of the best corner is too long to be left out: positive where there are lengths,
     * negative where there are none. It changes
     * steadily with the directions, so that the search can feel its way along it.
     *
     * @param list<array{float, float, float}> $u three or more directions
     * @param list<float> $least
     * @param array{float, float, float} $d
     */
    public static function slackMm(array $u, array $least, array $d): float
    {
        [$x, $y, $z] = self::rest($u, $least, $d);
        $n = count($u);
        $slack = -INF;
        for ($i = 0; $i < $n; $i++) {
            for ($j = $i + 1; $j < $n; $j++) {
                for ($k = $j + 1; $k < $n; $k++) {
                    $three = self::three($u[$i], $u[$j], $u[$k], $x, $y, $z);
                    if ($three !== null) {
                        $slack = max($slack, min($three[0], $three[1], $three[2]));
                    }
                }
            }
        }

        return $slack;
    }

    /**
     * @param list<array{float, float, float}> $u
     * @param list<float> $least
     * @param array{float, float, float} $d
     * @return array{float, float, float} what is left to go when every leg is as short as it may be
     */
    private static function rest(array $u, array $least, array $d): array
    {
        [$x, $y, $z] = $d;
        foreach ($u as $i => $v) {
            $x -= $least[$i] * $v[0];
            $y -= $least[$i] * $v[1];
            $z -= $least[$i] * $v[2];
        }

        return [$x, $y, $z];
    }

    /**
     * @param array{float, float, float} $a
     * @param array{float, float, float} $b
     * @param array{float, float, float} $c
     * @return array{float, float, float}|null by Cramer's rule; null where they lie in one plane
     */
    private static function three(array $a, array $b, array $c, float $x, float $y, float $z): ?array
    {
        $bcx = $b[1] * $c[2] - $b[2] * $c[1];
        $bcy = $b[2] * $c[0] - $b[0] * $c[2];
        $bcz = $b[0] * $c[1] - $b[1] * $c[0];
        $det = $a[0] * $bcx + $a[1] * $bcy + $a[2] * $bcz;
        if ($det < self::FLAT && $det > -self::FLAT) {
            return null;
        }
        $dax = $y * $a[2] - $z * $a[1];
        $day = $z * $a[0] - $x * $a[2];
        $daz = $x * $a[1] - $y * $a[0];

        return [
            ($x * $bcx + $y * $bcy + $z * $bcz) / $det,
            // det(a, D, c) = −c · (D × a) and det(a, b, D) = b · (D × a)
            -($c[0] * $dax + $c[1] * $day + $c[2] * $daz) / $det,
            ($b[0] * $dax + $b[1] * $day + $b[2] * $daz) / $det,
        ];
    }

    /**
     * @param array{float, float, float} $a
     * @param array{float, float, float} $b
     * @return array{float, float, float}|null two lengths and how far they miss; null where they lead backward or miss
     */
    private static function two(array $a, array $b, float $x, float $y, float $z): ?array
    {
        $cos = $a[0] * $b[0] + $a[1] * $b[1] + $a[2] * $b[2];
        $square = 1.0 - $cos * $cos;
        if ($square < Tolerance::ROUNDING) {
            return null;
        }
        $da = $a[0] * $x + $a[1] * $y + $a[2] * $z;
        $db = $b[0] * $x + $b[1] * $y + $b[2] * $z;
        $one = ($da - $cos * $db) / $square;
        $two = ($db - $cos * $da) / $square;
        if ($one < -1e-7 || $two < -1e-7) {
            return null;
        }
        [$mx, $my, $mz] = [
            $x - $one * $a[0] - $two * $b[0],
            $y - $one * $a[1] - $two * $b[1],
            $z - $one * $a[2] - $two * $b[2],
        ];
        $miss = sqrt($mx * $mx + $my * $my + $mz * $mz);

        return $miss > self::MISS_MM ? null : [$one, $two, $miss];
    }
}
