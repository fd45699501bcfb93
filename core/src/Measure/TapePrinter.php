<?php

declare(strict_types=1);

namespace FallBend\Core\Measure;

/** Says a length as a tape shows it: rounded to the mark, half away from zero. Never decimals of an inch. */
final class TapePrinter
{
    /** Gives inches with a fraction, no unit: `54 1/2`, `3/8`, `-2`, `0`. */
    public static function inches(Length $length): string
    {
        [$sign, $whole, $fraction] = self::parts($length);

        return $sign.self::joined($whole, $fraction);
    }

    /** Gives feet and inches from two feet up, inches below: `4' 6 1/2"`, `14"`. */
    public static function feet(Length $length): string
    {
        [$sign, $whole, $fraction] = self::parts($length);

        return $sign.($whole < 24 ? self::joined($whole, $fraction).'"' : self::inFeet($whole, $fraction));
    }

    /**
     * Gives what `inches` and `feet` give, reckoned once.
     *
     * @return array{string, string}
     */
    public static function inchesAndFeet(Length $length): array
    {
        [$sign, $whole, $fraction] = self::parts($length);
        $inches = $sign.self::joined($whole, $fraction);

        return [$inches, $whole < 24 ? $inches.'"' : $sign.self::inFeet($whole, $fraction)];
    }

    /** Gives whole millimetres, no unit. */
    public static function millimetres(Length $length): string
    {
        return (string) $length->inMarks(Units::Millimetre->markNm());
    }

    /** Gives the length in the units, with its unit: `54 1/2 in`, `1384 mm`. */
    public static function withUnit(Length $length, Units $units): string
    {
        return self::finer($length, $units, 0);
    }

    /**
     * The same to a finer mark: at 1 to a thirty-second or a tenth of a millimetre, at 2 to a sixty-fourth or a
     * hundredth. What is there and less than half a mark is said to be under one.
     *
     * @param int<0, 2> $steps
     */
    public static function finer(Length $length, Units $units, int $steps): string
    {
        [$sign, $whole, $fraction] = self::parts($length, 16 << $steps);
        $mark = $units === Units::Inch ? '1/'.(16 << $steps).' in' : 10 ** -$steps.' mm';
        $said =
            $units === Units::Inch
                ? $sign.self::joined($whole, $fraction).' in'
                : ($steps === 0
                    ? self::millimetres($length)
                    : number_format($length->toMm(), $steps, '.', '')).' mm';

        return $length->nanometres !== 0 && (float) $said === 0.0 && ! str_contains($said, '/')
            ? "under {$mark}"
            : $said;
    }

    /** Gives how far off a length may be, up to the next mark where it is over by a quarter of one: `1/16 in`. */
    public static function within(Length $doubt, Units $units): string
    {
        $mark = $units->markNm();

        return self::withUnit(Length::nm(max(1, (int) ceil($doubt->nanometres / $mark - 0.25)) * $mark), $units);
    }

    /**
     * Gives the length so that reading it back gives the same nanometres: a tape fraction if it is one, else
     * millimetres.
     */
    public static function exact(Length $length, Units $units): string
    {
        if ($units === Units::Inch && $length->isTapeFraction()) {
            return self::exactFeet($length);
        }
        $mm = rtrim(
            rtrim(
                sprintf('%d.%06d', intdiv(abs($length->nanometres), 1_000_000), abs($length->nanometres) % 1_000_000),
                '0',
            ),
            '.',
        );
        // Three decimals after a point are unmistakable; only a comma is asked about.
        $text = ($length->nanometres < 0 ? '-' : '').$mm;

        return $units === Units::Inch ? $text.'mm' : $text;
    }

    private static function exactFeet(Length $length): string
    {
        [$sign, $whole, $fraction] = self::parts($length, 64);
        if ($whole < 24) {
            return $sign.self::joined($whole, $fraction);
        }
        $rest = $whole % 12;

        return $sign.
            intdiv($whole, 12).
            "'".
            ($rest === 0 && $fraction === '' ? '' : ' '.self::joined($rest, $fraction));
    }

    private static function inFeet(int $whole, string $fraction): string
    {
        $rest = $whole % 12;

        return intdiv($whole, 12).
            "'".
            ($rest === 0 && $fraction === '' ? '' : ' '.self::joined($rest, $fraction).'"');
    }

    /** @return array{string, int, string} sign, whole inches, fraction in lowest terms or nothing */
    private static function parts(Length $length, int $denominator = 16): array
    {
        $marks = $length->inMarks(intdiv(Length::NM_PER_INCH, $denominator));
        $whole = intdiv(abs($marks), $denominator);
        $numerator = abs($marks) % $denominator;
        while ($numerator > 0 && $numerator % 2 === 0) {
            [$numerator, $denominator] = [intdiv($numerator, 2), intdiv($denominator, 2)];
        }

        return [$marks < 0 ? '-' : '', $whole, $numerator === 0 ? '' : "{$numerator}/{$denominator}"];
    }

    private static function joined(int $whole, string $fraction): string
    {
        return match (true) {
            $fraction === '' => (string) $whole,
            $whole === 0 => $fraction,
            default => "{$whole} {$fraction}",
        };
    }
}
