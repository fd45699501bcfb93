<?php

declare(strict_types=1);

namespace App\Files;

use Illuminate\Contracts\Filesystem\Filesystem;
use Illuminate\Support\Facades\Storage;
use RuntimeException;

/**
 * Where the bytes of pictures stand: in the database, or in a store by the hash of what they are. What is put there
 * twice is there once, and what is read is what was put there, or nothing.
 */
final class PictureStore
{
    public const IN_DATABASE = 'database';

    public const ELSEWHERE = 'store';

    /**
     * Puts bytes where they belong.
     *
     * @return ?string what stands in the database; null: they stand in the store
     */
    public static function put(string $bytes): ?string
    {
        return config('operations.pictures') === self::ELSEWHERE ? self::putElsewhere($bytes) : $bytes;
    }

    public static function putElsewhere(string $bytes): null
    {
        self::disk()->put(self::path(hash('sha256', $bytes)), $bytes);

        return null;
    }

    /** @param string $kept the hash of what is wanted */
    public static function get(string $kept): string
    {
        $bytes = (string) self::disk()->get(self::path($kept));
        if (hash('sha256', $bytes) !== $kept) {
            throw new RuntimeException("The picture {$kept} is not what was put into the store.");
        }

        return $bytes;
    }

    /** Takes out what no row names any more. */
    public static function remove(string $kept): void
    {
        self::disk()->delete(self::path($kept));
    }

    /** @return list<string> the hashes of all that is there */
    public static function all(): array
    {
        return array_values(array_map(basename(...), self::disk()->allFiles('pictures')));
    }

    /** Whether it was put there, the last time, before a moment (seconds since 1970). */
    public static function isOlderThan(string $kept, int $moment): bool
    {
        return self::disk()->lastModified(self::path($kept)) < $moment;
    }

    private static function path(string $kept): string
    {
        return 'pictures/'.substr($kept, 0, 2)."/{$kept}";
    }

    private static function disk(): Filesystem
    {
        return Storage::disk('pictures');
    }
}
