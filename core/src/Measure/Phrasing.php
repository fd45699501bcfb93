<?php

declare(strict_types=1);

namespace FallBend\Core\Measure;

use LogicException;

/**
 * Fills sentences with numbers as the user's units say them. Placeholders name a parameter; its unit, from the end of
 * its name, decides how it is said:
 * `_od_mm` an outside diameter in decimals, `_atleast_mm` rounded up to a mark, `_mm` a tape length, `_mm_per_m` a
 * fall, `_deg` an angle, `_c` a temperature. With `+unit` a size of pipe is said with the unit that it is named in.
 */
final readonly class Phrasing
{
    /** The largest size of pipe that is named in inches. */
    private const LARGEST_IN = 24;

    public function __construct(private Units $units) {}

    /**
     * Takes a text, or variants of it chosen by the first condition that holds (see `holds`; `else` always does); gives
     * it filled. A length that stands in the text itself, as `{25.4 mm}`, is said in the units.
     *
     * @param array<string, float|int|string> $params
     */
    public function filled(mixed $text, array $params): string
    {
        if (is_array($text)) {
            $text = self::variant($text, $params);
        }
        // Before it is filled: what somebody typed is not spelt anew.
        $text = is_string($text) ? Spelling::in($this->units, $text) : '';
        $steps = $this->steps($text, $params);
        $alike = $this->areFallsAlike($text, $params);

        $text = (string) preg_replace_callback(
            '/\{(\d+(?:\.\d+)?) mm\}/',
            fn (array $m): string => TapePrinter::withUnit(Length::mm((float) $m[1]), $this->units),
            $text,
        );

        return (string) preg_replace_callback(
            '/\{(\w+)(\+unit)?\}/',
            function (array $m) use ($params, $steps, $alike): string {
                $value = $params[$m[1]] ?? throw new LogicException("no parameter {$m[1]}");

                return match (true) {
                    isset($m[2]) => self::sizes((string) $value),
                    $alike && ! is_string($value) && str_ends_with($m[1], '_mm_per_m') => Fall::mmPerM(
                        (float) $value,
                    )->beside($this->units),
                    default => $this->inWords($m[1], $value, $steps),
                };
            },
            $text,
        );
    }

    /**
     * Gives how much finer than a mark of the tape the lengths of a sentence are said: so that two which differ are not
     * said alike, and what is missing is not said to be nothing.
     *
     * @param array<string, float|int|string> $params
     * @return int<0, 2>
     */
    private function steps(string $text, array $params): int
    {
        preg_match_all('/\{(\w+(?<!od)(?<!atleast)_mm)\}/', $text, $m);
        $lengths = [];
        foreach ($m[1] as $name) {
            $value = $params[$name] ?? null;
            if (is_float($value) || is_int($value)) {
                $lengths[] = Length::mm((float) $value);
            }
        }
        foreach ([0, 1] as $steps) {
            $said = [];
            foreach ($lengths as $length) {
                $words = TapePrinter::finer($length, $this->units, $steps);
                if (str_starts_with($words, 'under') || ! self::isSaidApart($said[$words] ?? null, $length)) {
                    continue 2;
                }
                $said[$words] = $length;
            }

            return $steps;
        }

        return 2;
    }

    /**
     * Whether two falls of a sentence that are not the same would be said alike, but for "about".
     *
     * @param array<string, float|int|string> $params
     */
    private function areFallsAlike(string $text, array $params): bool
    {
        preg_match_all('/\{(\w+_mm_per_m)\}/', $text, $m);
        $said = [];
        foreach (array_intersect_key($params, array_flip($m[1])) as $value) {
            if (is_string($value)) {
                continue;
            }
            $words = str_replace('about ', '', Fall::mmPerM((float) $value)->short($this->units));
            if (abs(($said[$words] ?? (float) $value) - (float) $value) > 0.001) {
                return true;
            }
            $said[$words] = (float) $value;
        }

        return false;
    }

    /** Whether nothing else is said in the same words: what differs by less than a hundredth of a mm is the same. */
    private static function isSaidApart(?Length $other, Length $length): bool
    {
        return $other === null || abs($other->toMm() - $length->toMm()) < 0.01;
    }

    /**
     * Whether a condition holds: `key` is given, `key=` is not given, `key=value`, `key!=value`.
     *
     * @param array<string, float|int|string> $params
     */
    public static function holds(string $condition, array $params): bool
    {
        if (preg_match('/^(\w+)(!?=)?(.*)$/', $condition, $m) !== 1) {
            return false;
        }
        $value = isset($params[$m[1]]) ? (string) $params[$m[1]] : '';

        return match ($m[2]) {
            '' => $value !== '',
            '=' => $value === $m[3],
            default => $value !== $m[3],
        };
    }

    /** Says an outside diameter: `4.30 in` to a hundredth (a thousandth where it matters), `109.2 mm`. */
    public function diameter(float $mm): string
    {
        return match ($this->units) {
            Units::Inch => rtrim(rtrim(number_format($mm / 25.4, 3, '.', ''), '0'), '.').' in',
            Units::Millimetre => number_format($mm, 1, '.', '').' mm',
        };
    }

    /** Says a temperature: `50 °F`, `10 °C`. */
    public function temperature(float $celsius): string
    {
        return match ($this->units) {
            // Nothing is said to be minus nought.
            Units::Inch => (round($celsius * 1.8 + 32) + 0.0).' °F',
            Units::Millimetre => (round($celsius, 1) + 0.0).' °C',
        };
    }

    /** Says a time in minutes as people plan by it: `30 min`, `1 h 30 min`, `3 days`. */
    public static function minutes(float $minutes): string
    {
        $whole = (int) ceil($minutes - Tolerance::ROUNDING);

        return match (true) {
            $whole >= 2880 && $whole % 1440 === 0 => intdiv($whole, 1440).' days',
            $whole < 60 => "{$whole} min",
            default => intdiv($whole, 60).' h'.($whole % 60 === 0 ? '' : ' '.$whole % 60 .' min'),
        };
    }

    /**
     * Says sizes of pipe with their unit: those of pipe in inches go up to 24, those of pipe in millimetres begin with
     * 32.
     */
    private static function sizes(string $sizes): string
    {
        return $sizes.((int) $sizes > self::LARGEST_IN ? ' mm' : ' in');
    }

    /**
     * @param array<array-key, mixed> $variants
     * @param array<string, float|int|string> $params
     */
    private static function variant(array $variants, array $params): mixed
    {
        foreach ($variants as $condition => $text) {
            if ($condition === 'else' || self::holds((string) $condition, $params)) {
                return $text;
            }
        }

        return '';
    }

    /** @param int<0, 2> $steps finer than a mark of the tape */
    private function inWords(string $name, float|int|string $value, int $steps): string
    {
        return match (true) {
            is_string($value) => $value,
            str_ends_with($name, '_mm_per_m') => Fall::mmPerM((float) $value)->inWords($this->units),
            str_ends_with($name, '_atleast_mm') => TapePrinter::withUnit(
                self::up((float) $value, $this->units),
                $this->units,
            ),
            str_ends_with($name, 'od_mm') => $this->diameter((float) $value),
            str_ends_with($name, '_mm') => TapePrinter::finer(Length::mm((float) $value), $this->units, $steps),
            str_ends_with($name, '_c') => $this->temperature((float) $value),
            str_ends_with($name, '_deg') => self::degrees((float) $value),
            default => (string) $value,
        };
    }

    /** To a hundredth where it is small, else to a tenth: nobody sets a bend finer. */
    private static function degrees(float $deg): string
    {
        return rtrim(rtrim(number_format($deg, abs($deg) < 5.0 ? 2 : 1, '.', ''), '0'), '.').'°';
    }

    private static function up(float $mm, Units $units): Length
    {
        $mark = $units->markNm();

        return Length::nm((int) ceil(($mm * Length::NM_PER_MM) / $mark - Tolerance::SUM) * $mark);
    }
}
