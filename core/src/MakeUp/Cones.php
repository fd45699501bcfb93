<?php

declare(strict_types=1);

namespace FallBend\Core\MakeUp;

/**
 * Directions that lie at given angles from given directions. A bend of turn θ leads the pipe along some direction of
 * the cone of half angle θ about the one it
 * comes by; between two bends the leg lies where two cones meet. Vectors are lists of three floats, angles in degrees.
 */
final class Cones
{
    /** Below this the axes of two cones count as one line, and the cones meet all round or not at all. */
    public const PARALLEL_SQUARE = 1e-7;

    /**
     * Gives the directions at angle α from a and β from b: with c = a·b, u = p·a + q·b ± g·(a × b), p =
     * (cos α − c·cos β)/(1 − c²), q = (cos β − c·cos α)/(1 − c²),
     * g² = (1 − p·cos α − q·cos β)/(1 − c²).
     *
     * @param array{float, float, float} $a
     * @param array{float, float, float} $b
     * @return list<array{float, float, float}> none, or two (which are one where the cones touch)
     */
    public static function meet(array $a, float $cosA, array $b, float $cosB): array
    {
        $c = $a[0] * $b[0] + $a[1] * $b[1] + $a[2] * $b[2];
        $square = 1.0 - $c * $c;
        if ($square < self::PARALLEL_SQUARE) {
            return [];
        }
        $p = ($cosA - $c * $cosB) / $square;
        $q = ($cosB - $c * $cosA) / $square;
        $g = (1.0 - $p * $cosA - $q * $cosB) / $square;
        if ($g < -1e-9) {
            return [];
        }
        $g = sqrt(max(0.0, $g));
        [$x, $y, $z] = [$a[1] * $b[2] - $a[2] * $b[1], $a[2] * $b[0] - $a[0] * $b[2], $a[0] * $b[1] - $a[1] * $b[0]];
        [$mx, $my, $mz] = [$p * $a[0] + $q * $b[0], $p * $a[1] + $q * $b[1], $p * $a[2] + $q * $b[2]];

        return [
            self::unit([$mx + $g * $x, $my + $g * $y, $mz + $g * $z]),
            self::unit([$mx - $g * $x, $my - $g * $y, $mz - $g * $z]),
        ];
    }

    /**
     * Gives the direction at an angle from an axis, so far round it from some fixed start.
     *
     * @param array{float, float, float} $axis
     * @return array{float, float, float}
     */
    public static function round(array $axis, float $angleDeg, float $roundDeg): array
    {
        [$e, $f] = self::square($axis);
        [$cos, $sin] = [cos(deg2rad($angleDeg)), sin(deg2rad($angleDeg))];
        [$c, $s] = [$sin * cos(deg2rad($roundDeg)), $sin * sin(deg2rad($roundDeg))];

        return [
            $cos * $axis[0] + $c * $e[0] + $s * $f[0],
            $cos * $axis[1] + $c * $e[1] + $s * $f[1],
            $cos * $axis[2] + $c * $e[2] + $s * $f[2],
        ];
    }

    /**
     * Gives how far round an axis a direction lies, from the same start as `round`; 0 where it lies along the axis.
     *
     * @param array{float, float, float} $axis
     * @param array{float, float, float} $u
     */
    public static function roundDeg(array $axis, array $u): float
    {
        [$e, $f] = self::square($axis);

        return rad2deg(
            atan2($u[0] * $f[0] + $u[1] * $f[1] + $u[2] * $f[2], $u[0] * $e[0] + $u[1] * $e[1] + $u[2] * $e[2]),
        );
    }

    /**
     * Gives the angle between two directions in degrees; exact near 0 and 180.
     *
     * @param array{float, float, float} $a
     * @param array{float, float, float} $b
     */
    public static function angleDeg(array $a, array $b): float
    {
        [$x, $y, $z] = [$a[1] * $b[2] - $a[2] * $b[1], $a[2] * $b[0] - $a[0] * $b[2], $a[0] * $b[1] - $a[1] * $b[0]];

        return rad2deg(atan2(sqrt($x * $x + $y * $y + $z * $z), $a[0] * $b[0] + $a[1] * $b[1] + $a[2] * $b[2]));
    }

    /**
     * @param array{float, float, float} $v
     * @return array{float, float, float}
     */
    public static function unit(array $v): array
    {
        $length = sqrt($v[0] * $v[0] + $v[1] * $v[1] + $v[2] * $v[2]);

        return $length < 1e-12 ? $v : [$v[0] / $length, $v[1] / $length, $v[2] / $length];
    }

    /**
     * @param array{float, float, float} $axis
     * @return array{array{float, float, float}, array{float, float, float}} two directions square to it and to each
     *     other
     */
    private static function square(array $axis): array
    {
        // From the axis that it lies least along, so that nothing small is divided by.
        $helper = abs($axis[2]) < 0.7 ? [0.0, 0.0, 1.0] : [0.0, 1.0, 0.0];
        $along = $helper[0] * $axis[0] + $helper[1] * $axis[1] + $helper[2] * $axis[2];
        $e = self::unit([
            $helper[0] - $along * $axis[0],
            $helper[1] - $along * $axis[1],
            $helper[2] - $along * $axis[2],
        ]);

        return [
            $e,
            [
                $axis[1] * $e[2] - $axis[2] * $e[1],
                $axis[2] * $e[0] - $axis[0] * $e[2],
                $axis[0] * $e[1] - $axis[1] * $e[0],
            ],
        ];
    }
}
