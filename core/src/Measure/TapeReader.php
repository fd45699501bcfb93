<?php

declare(strict_types=1);

namespace FallBend\Core\Measure;

/**
 * Reads a length as a person says it off a tape: `54 1/2`, `54½`, `4' 6 1/2"`, `54.5in`, `1384`, `1.384 m`, `138,4 cm`.
 * The units decide only what a bare number means. A comma before exactly three digits is refused, never guessed.
 */
final readonly class TapeReader
{
    private const NUMBER = '\d{1,9}(?:[.,]\d{1,9})?';

    public function __construct(private Units $units) {}

    /**
     * Takes the text of one length, with a leading minus where it is negative; gives the length, exact to the
     * nanometre.
     *
     * @throws UnreadableLength if it is not one length
     */
    public function read(string $text): Length
    {
        $plain = trim((string) preg_replace('/\s+/u', ' ', mb_strtolower(Typography::plain($text))));
        $negative = str_starts_with($plain, '-');
        if ($negative) {
            $plain = ltrim(substr($plain, 1));
        }
        if (preg_match('/\d,\d{3}(?!\d)/', $plain) === 1) {
            throw UnreadableLength::ambiguousComma(trim($text));
        }
        $nanometres = $this->metric($plain) ?? ($this->imperial($plain, $text) ?? $this->bare($plain, $text));
        if ($nanometres > Length::MOST_NM) {
            throw UnreadableLength::tooLong($text);
        }

        return Length::nm($negative ? -$nanometres : $nanometres);
    }

    private function metric(string $plain): ?int
    {
        if (preg_match('/^('.self::NUMBER.') ?(mm|cm|m)\z/', $plain, $m) !== 1) {
            return null;
        }

        return self::decimal(
            $m[1],
            match ($m[2]) {
                'mm' => 1_000_000,
                'cm' => 10_000_000,
                default => 1_000_000_000,
            },
        );
    }

    private function imperial(string $plain, string $given): ?int
    {
        $feet = '(?<feet>'.self::NUMBER.') ?(?:\'(?!\')|ft|feet|foot)\.?';
        $inches = '(?<inches>'.self::NUMBER.'|(?:\d{1,9}[ -])?\d{1,3}\/\d{1,3})';
        $mark = ' ?(?:"|\'\'|in|inch|inches)\.?';
        if (preg_match("/^{$feet}(?:[ -]?{$inches}(?:{$mark})?)?\\z/", $plain, $m) === 1) {
            $inchNm = isset($m['inches']) ? $this->inches($m['inches'], $given) : 0;
            if ($inchNm >= 12 * Length::NM_PER_INCH) {
                throw UnreadableLength::inchesBeyondFoot($given);
            }

            return self::decimal($m['feet'], 12 * Length::NM_PER_INCH) + $inchNm;
        }

        return preg_match("/^{$inches}{$mark}\\z/", $plain, $m) === 1 ? $this->inches($m['inches'], $given) : null;
    }

    /** @throws UnreadableLength */
    private function bare(string $plain, string $given): int
    {
        if (preg_match('/^(?:\d{1,9}[ -])?\d{1,3}\/\d{1,3}\z/', $plain) === 1) {
            return $this->units === Units::Inch
                ? $this->inches($plain, $given)
                : throw UnreadableLength::fractionOfMillimetre($given);
        }
        if (preg_match('/^'.self::NUMBER.'\z/', $plain) !== 1) {
            throw UnreadableLength::text($given);
        }

        return self::decimal($plain, $this->units === Units::Inch ? Length::NM_PER_INCH : Length::NM_PER_MM);
    }

    /** @throws UnreadableLength if the fraction is none that a tape has */
    private function inches(string $text, string $given): int
    {
        if (preg_match('/^(?:(\d+)[ -])?(\d+)\/(\d+)\z/', $text, $m) !== 1) {
            return self::decimal($text, Length::NM_PER_INCH);
        }
        [$numerator, $denominator] = [(int) $m[2], (int) $m[3]];
        if (! in_array($denominator, [2, 4, 8, 16, 32, 64], true) || $numerator < 1 || $numerator >= $denominator) {
            throw UnreadableLength::fraction($given);
        }

        return (int) $m[1] * Length::NM_PER_INCH + intdiv(Length::NM_PER_INCH * $numerator, $denominator);
    }

    /** Whole and decimal digits times the unit, in integers; the last nanometre half away from zero. */
    private static function decimal(string $digits, int $unitNm): int
    {
        [$whole, $part] = explode('.', str_replace(',', '.', $digits).'.');
        if ((int) $whole > intdiv(Length::MOST_NM, $unitNm)) {
            return Length::MOST_NM + 1;
        }
        $scale = 10 ** strlen($part);

        return (int) $whole * $unitNm + intdiv(2 * (int) $part * $unitNm + $scale, 2 * $scale);
    }
}
