<?php

declare(strict_types=1);

namespace FallBend\Core\Measure;

/**
 * By how much two numbers may differ that are taken as one, each for its reason. None of them is a number of a code
 * book.
 */
final class Tolerance
{
    /** Lengths laid out or measured on site: half a millimetre nobody reads off a tape. */
    public const TAPE_MM = 0.5;

    /** Nominal sizes, which are whole millimetres or inches turned into them: the next size is further away. */
    public const NOMINAL_MM = 0.5;

    /** Lengths that were turned from inches into millimetres and back: what the second place after the point says. */
    public const CONVERTED_MM = 0.01;

    /** Sums of loads and products of measured numbers, whose last places come from adding in another order. */
    public const SUM = 1e-6;

    /** One number worked out in two ways: the last places of a floating point number (IEEE 754, about 16). */
    public const ROUNDING = 1e-9;

    /** Whether a number is more than the most that may be, by more than two numbers may differ. */
    public static function isOver(float $value, float $most, float $by): bool
    {
        return $value > $most + $by;
    }

    /** Whether a number is less than the least that may be, by more than two numbers may differ. */
    public static function isUnder(float $value, float $least, float $by): bool
    {
        return $value < $least - $by;
    }
}
