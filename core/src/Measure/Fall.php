<?php

declare(strict_types=1);

namespace FallBend\Core\Measure;

/** A fall: drop per length of plan (the tangent), in mm per m. Negative rises. */
final readonly class Fall
{
    /** 1 in per ft in mm per m: 1000 / 12. */
    public const MM_PER_M_PER_IN_PER_FT = 1000 / 12;

    private function __construct(public float $mmPerM) {}

    /** Takes mm per m of plan. */
    public static function mmPerM(float $mmPerM): self
    {
        return new self($mmPerM);
    }

    /** Takes inches per foot of plan. */
    public static function inPerFt(float $inches): self
    {
        return new self($inches * self::MM_PER_M_PER_IN_PER_FT);
    }

    /** Gives inches per foot of plan. */
    public function toInPerFt(): float
    {
        return $this->mmPerM / self::MM_PER_M_PER_IN_PER_FT;
    }

    /** Gives the angle below level, in degrees. */
    public function toDeg(): float
    {
        return rad2deg(atan($this->mmPerM / 1000));
    }

    /**
     * Gives the fall as it is said: `1/4 in per ft`
     * (to the nearest 1/32, with "about" where that is more than 1 % off), or `21 mm per m`.
     */
    public function inWords(Units $units): string
    {
        return $this->short($units).($units === Units::Inch ? ' in per ft' : ' mm per m');
    }

    /** Gives the number of `said` alone: `1/4`, `about 3/32`, `21`. */
    public function short(Units $units): string
    {
        if ($units === Units::Millimetre) {
            return rtrim(rtrim(number_format($this->mmPerM, 1, '.', ''), '0'), '.');
        }
        $marks = (int) round($this->toInPerFt() * 32);
        $length = Length::nm(intdiv($marks * Length::NM_PER_INCH, 32));
        $about = abs($marks / 32 - $this->toInPerFt()) > 0.01 * max(abs($this->toInPerFt()), 1 / 32) ? 'about ' : '';

        return $about.self::thirtySeconds($length);
    }

    /**
     * Gives the fall beside another that is said alike and is not the same: `0.24 in per ft`, and within 0.005 of a
     * thirty-second `just under 1/4 in per ft`; with two decimals of a mm per m.
     */
    public function beside(Units $units): string
    {
        if ($units === Units::Millimetre) {
            return number_format($this->mmPerM, 2, '.', '').' mm per m';
        }
        $marks = (int) round($this->toInPerFt() * 32);
        $off = $this->toInPerFt() - $marks / 32;
        if (abs($off) >= 0.005) {
            return rtrim(number_format($this->toInPerFt(), 3, '.', ''), '0').' in per ft';
        }

        return match (true) {
            abs($off) < Tolerance::ROUNDING => '',
            $off < 0 => 'just under ',
            default => 'just over ',
        }.self::thirtySeconds(Length::nm(intdiv($marks * Length::NM_PER_INCH, 32))).' in per ft';
    }

    private static function thirtySeconds(Length $length): string
    {
        // exact() prints to 1/64, finer than the tape's own 1/16.
        return TapePrinter::exact($length, Units::Inch);
    }
}
