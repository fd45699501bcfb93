<?php

declare(strict_types=1);

namespace App\Operations;

/**
 * Whether the disk has room for what is written. A database whose disk is full stops in the middle of what it does; so
 * nothing is written any more while there is still some room, and whoever writes is told.
 */
final class Room
{
    /** What stays free, in megabytes. */
    private const LEAST = 256;

    public static function isThere(): bool
    {
        $free = self::freeMegabytes();

        return $free === null || $free >= self::least();
    }

    /** Free megabytes where the data stands; null: it stands on another machine, whose room is not known here. */
    public static function freeMegabytes(): ?int
    {
        $folder = config('operations.data_folder');
        $free = is_string($folder) && $folder !== '' ? @disk_free_space($folder) : false;

        return $free === false ? null : (int) ($free / 1_048_576);
    }

    private static function least(): int
    {
        $least = config('operations.least_free_mb');

        return is_numeric($least) ? (int) $least : self::LEAST;
    }
}
