<?php

declare(strict_types=1);

namespace FallBend\Core\Flow;

/**
 * Steady uniform flow in a round pipe that is partly full: Manning's formula (1891), v = R^(2/3)·√S / n in metres and
 * seconds, with the hydraulic radius R = A/P.
 * With the wetted half-angle t = 2·acos(1 − 2·fill): A = D²/8·(t − sin t), P = D·t/2. S is the drop along the pipe: the
 * sine of its dip.
 * Valid for long straight drains and water at rest in its course; not in the jump below a stack, nor within a few
 * diameters of a fitting.
 */
final readonly class Manning
{
    private function __construct(
        public float $velocityMPerS,
        public float $dischargeLPerS,
        public float $fullBoreLPerS,
        public float $fill,
    ) {}

    /**
     * @param float $boreMm inside diameter, above 0
     * @param float $fallMmPerM drop per metre of plan, 0 or more
     * @param float $fill depth over bore, 0 to 1
     * @param float $roughness Manning's n, above 0
     */
    public static function at(float $boreMm, float $fallMmPerM, float $fill, float $roughness): self
    {
        $d = $boreMm / 1000;
        $slope = sin(atan($fallMmPerM / 1000));
        $full = ((((M_PI * $d ** 2) / 4) * ($d / 4) ** (2 / 3) * sqrt($slope)) / $roughness) * 1000;
        if ($fill <= 0.0) {
            return new self(0.0, 0.0, $full, 0.0);
        }
        $t = 2 * acos(max(-1.0, min(1.0, 1 - 2 * $fill)));
        $area = ($d ** 2 / 8) * ($t - sin($t));
        $velocity = (($area / (($d * $t) / 2)) ** (2 / 3) * sqrt($slope)) / $roughness;

        return new self($velocity, $velocity * $area * 1000, $full, $fill);
    }

    /**
     * Finds the depth at which a pipe carries a flow, by halving, to a millionth of the bore; null where it does not
     * carry it. The largest flow is at 0.938 of
     * the bore, so depths above that are not looked for.
     */
    public static function carrying(float $boreMm, float $fallMmPerM, float $flowLPerS, float $roughness): ?self
    {
        [$low, $high] = [0.0, 0.938];
        if (self::at($boreMm, $fallMmPerM, $high, $roughness)->dischargeLPerS < $flowLPerS) {
            return null;
        }
        for ($i = 0; $i < 40; $i++) {
            $middle = ($low + $high) / 2;
            if (self::at($boreMm, $fallMmPerM, $middle, $roughness)->dischargeLPerS < $flowLPerS) {
                $low = $middle;
            } else {
                $high = $middle;
            }
        }

        return self::at($boreMm, $fallMmPerM, $high, $roughness);
    }
}
