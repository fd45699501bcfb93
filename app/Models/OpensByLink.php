<?php

declare(strict_types=1);

namespace App\Models;

use Illuminate\Database\Eloquent\Builder;
use Illuminate\Support\Str;

/** What somebody opens with a link. What stands in the link is said once, and only its hash is kept. */
trait OpensByLink
{
    /** 190 bits, which nobody guesses. */
    public static function newToken(): string
    {
        return Str::random(32);
    }

    public static function hashOf(string $token): string
    {
        return hash('sha256', $token);
    }

    /** @return Builder<self> the one that a link names, whether it opens anything or not */
    private static function ofToken(string $token): Builder
    {
        return self::query()->where('token_hash', self::hashOf($token));
    }
}
