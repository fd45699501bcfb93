<?php

declare(strict_types=1);

namespace FallBend\Core\Catalog;

/** The number that a size is called by. */
final class Nominal
{
    /** Sizes up to this are inches, above it millimetres: no pipe of a drain is 24 in here, none is 25 mm. */
    private const INCHES_TO = 24.0;

    /** @var array<string, float> by size: they are asked for again and again */
    private static array $known = [];

    /**
     * Gives the nominal diameter in mm of a size such as `1-1/2` or `110`; rules that count in diameters mean this one.
     */
    public static function mm(string $size): float
    {
        return self::$known[$size] ??= self::read($size);
    }

    private static function read(string $size): float
    {
        if (preg_match('/^(?:(\d+)-)?(\d+)\/(\d+)\z/', $size, $m) === 1) {
            return ((float) ($m[1] === '' ? 0 : $m[1]) + (float) $m[2] / (float) $m[3]) * 25.4;
        }
        $number = (float) $size;

        return $number <= self::INCHES_TO ? $number * 25.4 : $number;
    }
}
