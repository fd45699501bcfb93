<?php

declare(strict_types=1);

namespace FallBend\Core\Measure;

/**
 * A length as it was given, kept as whole nanometres: 1 mm and 1/64 in (396,875 nm) are both exact, so sums stay exact.
 * Computed geometry is not kept in it; that stays in floats of millimetres until a person reads it.
 */
final readonly class Length
{
    public const NM_PER_MM = 1_000_000;

    public const NM_PER_INCH = 25_400_000;

    /** The longest length that is taken from outside: one kilometre. */
    public const MOST_NM = 1_000_000_000_000;

    private function __construct(public int $nanometres) {}

    /** @param int $nanometres any whole number */
    public static function nm(int $nanometres): self
    {
        return new self($nanometres);
    }

    /** Takes millimetres, gives the nearest whole nanometre (half away from zero). */
    public static function mm(float $millimetres): self
    {
        return new self((int) round($millimetres * self::NM_PER_MM));
    }

    /** Gives millimetres. */
    public function toMm(): float
    {
        return $this->nanometres / self::NM_PER_MM;
    }

    /** Gives the sum, exact. */
    public function plus(self $other): self
    {
        return new self($this->nanometres + $other->nanometres);
    }

    /** Gives the length the other way. */
    public function negated(): self
    {
        return new self(-$this->nanometres);
    }

    /** Whether the length is a whole number of 64ths of an inch, and so can be said with a tape fraction. */
    public function isTapeFraction(): bool
    {
        return $this->nanometres % (self::NM_PER_INCH / 64) === 0;
    }

    /**
     * Takes the size of a mark in nanometres; gives the whole number of marks nearest to this length, half away from
     * zero.
     */
    public function inMarks(int $markNm): int
    {
        $twice = intdiv(2 * abs($this->nanometres) + $markNm, $markNm);
        $marks = intdiv($twice, 2);

        return $this->nanometres < 0 ? -$marks : $marks;
    }
}
