<?php

declare(strict_types=1);

namespace FallBend\Core\Job;

/** Ids that nothing has yet. */
final class Ids
{
    /** Longest base of an id, so that it has room for a number. */
    private const LONGEST = 34;

    /**
     * Gives the wanted id where it is free; else the same with the next number after it.
     *
     * @param list<string> $taken
     */
    public static function free(string $wanted, array $taken): string
    {
        $wanted = substr($wanted, 0, self::LONGEST);
        if (! in_array($wanted, $taken, true)) {
            return $wanted;
        }
        $base = (string) preg_replace('/-\d+$/', '', $wanted);
        $n = 2;
        while (in_array("{$base}-{$n}", $taken, true)) {
            $n++;
        }

        return "{$base}-{$n}";
    }
}
