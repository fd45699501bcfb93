<?php

declare(strict_types=1);

namespace App\People;

use App\Models\User;
use Illuminate\Http\Request;
use Illuminate\Support\Facades\Cookie;
use Illuminate\Support\Facades\RateLimiter;
use Illuminate\Support\Str;
use Symfony\Component\HttpFoundation\IpUtils;
use Symfony\Component\HttpKernel\Exception\TooManyRequestsHttpException;

/**
 * Slows down who tries over and over what is open to everybody: by address, by network, and by the account that is
 * tried. Nobody is locked out by what others try: a browser in which somebody signed in before is not held up by what
 * was tried with their account elsewhere, and a letter for a new password can always be asked for.
 */
final class Attempts
{
    /** A cookie that names the accounts that signed in here. It is sealed, so that nobody makes one. */
    private const KNOWN = 'fall-bend-known';

    /** So many accounts of one browser are known. */
    private const MOST_KNOWN = 5;

    private const YEAR_MINUTES = 365 * 24 * 60;

    /** Failed attempts that are let through within so many seconds: of an account from an address, of each of them. */
    private const LIMITS = ['pair' => [10, 60], 'address' => [40, 60], 'network' => [200, 60], 'account' => [50, 900]];

    /** A code has six digits, and three of them open at any moment. */
    private const CODES = 30;

    private const DAY_SECONDS = 86_400;

    /** Refuses to sign somebody in for now, where too many attempts failed: 429, and after how long to try again. */
    public static function hold(Request $request, string $email, ?User $user): void
    {
        $held = self::isKnown($request, $user) ? array_diff_key(self::LIMITS, ['account' => 0]) : self::LIMITS;
        foreach ($held as $of => [$most, $seconds]) {
            $key = self::key($of, $request, $email);
            if (RateLimiter::tooManyAttempts($key, $most)) {
                throw self::tooMany($key, $seconds);
            }
        }
    }

    public static function failed(Request $request, string $email): void
    {
        foreach (self::LIMITS as $of => [, $seconds]) {
            RateLimiter::hit(self::key($of, $request, $email), $seconds);
        }
    }

    public static function succeeded(Request $request, string $email, User $user): void
    {
        RateLimiter::clear(self::key('pair', $request, $email));
        $known = array_slice(array_unique([$user->id, ...self::known($request)]), 0, self::MOST_KNOWN);
        Cookie::queue(self::KNOWN, implode(' ', $known), self::YEAR_MINUTES);
    }

    /**
     * Refuses codes of a second factor where too many opened nothing within a day. What others try, who have the
     * password, does not count for a browser in which somebody signed in before.
     */
    public static function holdCodes(Request $request, User $user): void
    {
        $key = self::codes($request, $user);
        if (RateLimiter::tooManyAttempts($key, self::CODES)) {
            throw self::tooMany($key, self::DAY_SECONDS);
        }
    }

    public static function failedCode(Request $request, User $user): void
    {
        RateLimiter::hit(self::codes($request, $user), self::DAY_SECONDS);
    }

    private static function codes(Request $request, User $user): string
    {
        return "codes {$user->id} ".(self::isKnown($request, $user) ? 'known' : 'elsewhere');
    }

    /** Counts every attempt at something, and refuses it where there are too many within a minute. */
    public static function slowDown(Request $request, string $what, int $most = 10): void
    {
        $keys = [
            "{$what} {$request->ip()}" => $most,
            "{$what} network ".self::network($request) => 10 * $most,
        ];
        foreach ($keys as $key => $tries) {
            if (RateLimiter::tooManyAttempts($key, $tries)) {
                throw self::tooMany($key, 60);
            }
            RateLimiter::hit($key);
        }
    }

    /** @param key-of<self::LIMITS> $of what is counted */
    private static function key(string $of, Request $request, string $email): string
    {
        $account = hash('sha256', Str::lower($email));

        return match ($of) {
            'pair' => "pair {$account} {$request->ip()}",
            'address' => "address {$request->ip()}",
            'network' => 'network '.self::network($request),
            'account' => "account {$account}",
        };
    }

    /** That of an address: its first 24 bits, of IPv6 its first 64. */
    private static function network(Request $request): string
    {
        return IpUtils::anonymize((string) $request->ip());
    }

    private static function isKnown(Request $request, ?User $user): bool
    {
        return $user !== null && in_array($user->id, self::known($request), true);
    }

    /** @return list<int> */
    private static function known(Request $request): array
    {
        $cookie = $request->cookie(self::KNOWN);

        return is_string($cookie) ? array_map(intval(...), explode(' ', $cookie)) : [];
    }

    private static function tooMany(string $key, int $seconds): TooManyRequestsHttpException
    {
        $wait = max(1, min($seconds, RateLimiter::availableIn($key)));
        $said = $wait > 90 ? 'some minutes' : 'a minute';

        return new TooManyRequestsHttpException($wait, "Too many tries. Wait {$said}.");
    }
}
