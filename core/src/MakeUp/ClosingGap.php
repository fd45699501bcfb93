<?php

declare(strict_types=1);

namespace FallBend\Core\MakeUp;

use FallBend\Core\Measure\Tolerance;

/**
 * How far off the last joint of a chain may come to lie, when every length in it is read and cut with some error.
 * Errors that are as likely anywhere within a bound
 * are added up as such (the sum of uniform variables), errors that gather round nothing by the square of their
 * deviation, and what a tape is off by the same way
 * at every reading as often as it is read.
 */
final class ClosingGap
{
    /** From so many bounded errors on their sum is as good as normal. */
    private const MANY = 12;

    /** Steps of the quadrature over the normal part, to either side of six deviations. */
    private const STEPS = 240;

    /**
     * Up to so many terms the sum of the bounded errors is added up exactly wherever it is asked for; of more a table
     * is made once.
     */
    private const FEW = 64;

    /** What rounding may come to in that sum: where it may come to more, the table is better. */
    private const ROUNDED = 1e-7;

    /** Places of that table: its values are right to 10⁻⁵. */
    private const PLACES = 2048;

    /** @var list<float>|null the chance of less, at even steps over all that the sum can be */
    private ?array $table = null;

    /** @var list<array{float, int}> half widths, with how many bounded errors have them */
    private readonly array $widths;

    /**
     * @param list<float> $bounds half widths of errors that are as likely anywhere within them, mm
     * @param float $deviationMm of the sum of all others
     */
    private function __construct(private readonly array $bounds, private readonly float $deviationMm)
    {
        $widths = [];
        foreach ($bounds as $half) {
            $widths[(string) $half] = [$half, ($widths[(string) $half][1] ?? 0) + 1];
        }
        $this->widths = array_values($widths);
    }

    /**
     * @param list<float> $uniform half widths, mm
     * @param list<float> $normal standard deviations, mm
     * @param float $sharedMm standard deviation of what every reading is off alike
     * @param int $readings how often it comes in
     */
    public static function of(array $uniform, array $normal, float $sharedMm, int $readings): self
    {
        $uniform = array_values(array_filter($uniform, static fn (float $half): bool => $half > Tolerance::ROUNDING));
        $square =
            array_sum(array_map(static fn (float $one): float => $one ** 2, $normal)) + ($sharedMm * $readings) ** 2;
        if (count($uniform) > self::MANY) {
            return new self([], sqrt($square + self::squareOf($uniform)));
        }

        return new self($uniform, sqrt($square));
    }

    /** Gives the standard deviation of the whole error, mm. A bounded error of half width a has a/√3. */
    public function deviationMm(): float
    {
        return sqrt($this->deviationMm ** 2 + self::squareOf($this->bounds));
    }

    /** Gives the half width within which the error lies in so many cases of one, mm. */
    public function within(float $share): float
    {
        [$low, $high] = [0.0, array_sum($this->bounds) + 8 * $this->deviationMm + Tolerance::ROUNDING];
        for ($i = 0; $i < 60; $i++) {
            $middle = ($low + $high) / 2;
            // An error to the one side is as likely as the same to the other.
            if (2 * $this->upTo($middle) - 1 < $share) {
                $low = $middle;
            } else {
                $high = $middle;
            }
        }

        return $high;
    }

    /** Gives the chance that the error lies between two bounds, mm, 0 to 1. */
    public function chance(float $leastMm, float $mostMm): float
    {
        return $mostMm < $leastMm ? 0.0 : max(0.0, min(1.0, $this->upTo($mostMm) - $this->upTo($leastMm)));
    }

    private function upTo(float $x): float
    {
        if ($this->deviationMm < Tolerance::ROUNDING) {
            return $this->bounds === [] ? ($x >= 0 ? 1.0 : 0.0) : $this->boundedUpTo($x);
        }
        if ($this->bounds === []) {
            return self::normalUpTo($x / $this->deviationMm);
        }
        // ∫ F(x − s·z)·φ(z) dz by Simpson's rule.
        [$sum, $step] = [0.0, 12.0 / self::STEPS];
        for ($i = 0; $i <= self::STEPS; $i++) {
            $z = -6.0 + $i * $step;
            $weight = $i === 0 || $i === self::STEPS ? 1.0 : ($i % 2 === 1 ? 4.0 : 2.0);
            $sum += ($weight * $this->boundedUpTo($x - $this->deviationMm * $z) * exp((-$z * $z) / 2)) / sqrt(2 * M_PI);
        }

        return ($sum * $step) / 3;
    }

    /** The sum of the bounded errors alone. */
    private function boundedUpTo(float $x): float
    {
        $total = array_sum($this->bounds);
        if (abs($x) >= $total) {
            return $x < 0 ? 0.0 : 1.0;
        }
        $exact = $this->table === null && $this->terms() <= self::FEW ? $this->uniformUpTo($x, $total) : null;
        if ($exact !== null) {
            return $exact;
        }
        $table = $this->table ??= $this->table();
        $place = (($x + $total) / (2 * $total)) * self::PLACES;
        $below = (int) $place;

        return $table[$below] + ($place - $below) * ($table[min($below + 1, self::PLACES)] - $table[$below]);
    }

    /**
     * One error after the other is added: F(x) of the sum with an error of half width a is (1/2a)·∫ F from x − a to x +
     * a.
     *
     * @return list<float>
     */
    private function table(): array
    {
        $total = array_sum($this->bounds);
        $step = (2 * $total) / self::PLACES;
        $table = array_map(static fn (int $i): float => $i * $step < $total ? 0.0 : 1.0, range(0, self::PLACES));
        foreach ($this->bounds as $n => $half) {
            $until = [0.0];
            foreach ($table as $i => $value) {
                if ($i > 0) {
                    $until[] = $until[$i - 1] + (($value + $table[$i - 1]) / 2) * $step;
                }
            }
            // Beyond the table F is 0 on the one side and 1 on the other.
            $integral = static function (float $x) use ($until, $total, $step): float {
                if ($x >= $total) {
                    return $until[self::PLACES] + $x - $total;
                }
                $place = max(0.0, ($x + $total) / $step);
                $below = min((int) $place, self::PLACES - 1);

                return $until[$below] + ($place - $below) * ($until[$below + 1] - $until[$below]);
            };
            foreach ($table as $i => $value) {
                $x = $i * $step - $total;
                // The first is a ramp, and exact.
                $table[$i] =
                    $n === 0
                        ? max(0.0, min(1.0, ($x + $half) / (2 * $half)))
                        : ($integral($x + $half) - $integral($x - $half)) / (2 * $half);
            }
        }

        return $table;
    }

    private function terms(): int
    {
        return (int) array_product(array_map(static fn (array $width): int => $width[1] + 1, $this->widths));
    }

    /**
     * F(x) = Σ over all signs ε of Π(ε)·(x + Σ ε·a)₊ⁿ / (n!·Π 2a): the sum of uniform variables of any widths. Of k
     * that are as wide
     * as each other, those with i minus signs are the same C(k, i) times.
     *
     * @return ?float null where rounding may come to too much
     */
    private function uniformUpTo(float $x, float $total): ?float
    {
        $n = count($this->bounds);
        $scale = 1.0;
        foreach ($this->bounds as $i => $half) {
            // Divided by as it goes, so that nothing grows out of sight.
            $scale *= 2 * $half * ($i + 1);
        }
        // Every term is where the sum stands when so many errors are to the low side, and how often it stands there.
        $terms = [[$x + $total, 1.0]];
        foreach ($this->widths as [$half, $count]) {
            $next = [];
            foreach ($terms as [$at, $often]) {
                for ($i = 0, $choose = 1.0; $i <= $count && $at - 2 * $half * $i > 0; $i++) {
                    $next[] = [$at - 2 * $half * $i, $i % 2 === 0 ? $often * $choose : -$often * $choose];
                    $choose *= ($count - $i) / ($i + 1);
                }
            }
            $terms = $next;
        }
        [$sum, $size] = [0.0, 0.0];
        foreach ($terms as [$at, $often]) {
            $term = ($often * $at ** $n) / $scale;
            $sum += $term;
            $size += abs($term);
        }

        return $size * PHP_FLOAT_EPSILON > self::ROUNDED ? null : max(0.0, min(1.0, $sum));
    }

    /** Φ by Abramowitz and Stegun 7.1.26, to within 1.5·10⁻⁷. */
    private static function normalUpTo(float $z): float
    {
        $x = abs($z) / M_SQRT2;
        $t = 1 / (1 + 0.3275911 * $x);
        $erf =
            1 -
            ((((1.061405429 * $t - 1.453152027) * $t + 1.421413741) * $t - 0.284496736) * $t + 0.254829592) *
                $t *
                exp(-$x * $x);

        return $z >= 0 ? (1 + $erf) / 2 : (1 - $erf) / 2;
    }

    /** @param list<float> $halves */
    private static function squareOf(array $halves): float
    {
        return array_sum(array_map(static fn (float $half): float => $half ** 2 / 3, $halves));
    }
}
