<?php

declare(strict_types=1);

namespace App\People;

use Illuminate\Http\Request;
use Illuminate\Support\Facades\RateLimiter;

/** Slows down who tries over and over what is open to everybody: 429 until a minute is over. */
final class Slowed
{
    public static function down(Request $request, string $what, int $tries = 10): void
    {
        $key = "{$what} {$request->ip()}";
        abort_if(RateLimiter::tooManyAttempts($key, $tries), 429, 'Too many tries. Wait a minute.');
        RateLimiter::hit($key);
    }
}
