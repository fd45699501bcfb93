<?php

declare(strict_types=1);

namespace FallBend\Core\Cutting;

/** The greatest whole number that others are all multiples of (Euclid). */
final class Divisor
{
    /**
     * @param list<int> $numbers not negative
     * @return int 0 where all are 0
     */
    public static function greatest(array $numbers): int
    {
        $divisor = 0;
        foreach ($numbers as $number) {
            while ($number !== 0) {
                [$divisor, $number] = [$number, $divisor % $number];
            }
        }

        return $divisor;
    }
}
