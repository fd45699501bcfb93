<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Models\Crew;
use App\Models\User;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use Illuminate\Support\Facades\Auth;
use Illuminate\Support\Facades\Cache;
use Illuminate\Support\Facades\Hash;
use Illuminate\Support\Facades\RateLimiter;
use Illuminate\Support\Str;
use Illuminate\Validation\ValidationException;

/**
 * Signing in and out, and who is signed in.
 *
 * @phpstan-type Account array{
 *     name: string,
 *     email: string,
 *     crew: ?int,
 *     crews: list<array{id: int, name: string}>,
 * }
 */
final class SessionController
{
    private const GUESSES_A_MINUTE = 10;

    public function show(Request $request): JsonResponse
    {
        /** @var User $user */
        $user = $request->user();

        return new JsonResponse(self::account($user));
    }

    /** @return Account with the crew that is worked for; null: in none */
    public static function account(User $user): array
    {
        $crew = static fn (Crew $crew): array => ['id' => $crew->id, 'name' => $crew->name];

        return [
            'name' => $user->name,
            'email' => $user->email,
            'crew' => $user->crewId(),
            'crews' => array_values(array_map($crew, $user->crews->all())),
        ];
    }

    public function store(Request $request): JsonResponse
    {
        /** @var array{email: string, password: string} $given */
        $given = $request->validate([
            'email' => ['required', 'string', 'email', 'max:200'],
            'password' => ['required', 'string', 'max:200'],
        ]);
        $key = 'sign-in '.Str::lower($given['email']).' '.$request->ip();
        abort_if(RateLimiter::tooManyAttempts($key, self::GUESSES_A_MINUTE), 429, 'Too many tries. Wait a minute.');
        $user = User::query()->where('email', Str::lower($given['email']))->first();
        // A password is hashed whether or not anybody has the address, so that the time taken does not tell.
        $isRight = Hash::check($given['password'], $user->password ?? self::nobodysPassword());
        if ($user === null || ! $isRight) {
            RateLimiter::hit($key);
            throw ValidationException::withMessages(['email' => 'No one signs in with this address and password.']);
        }
        RateLimiter::clear($key);
        if (Hash::needsRehash($user->password)) {
            $user->forceFill(['password' => Hash::make($given['password'])])->save();
        }
        Auth::login($user);
        $request->session()->regenerate();

        return $this->show($request);
    }

    public function destroy(Request $request): JsonResponse
    {
        Auth::logout();
        $request->session()->invalidate();
        $request->session()->regenerateToken();

        return new JsonResponse(null, 204);
    }

    /** A hash that takes as long to check as anybody's. */
    private static function nobodysPassword(): string
    {
        return Cache::rememberForever('the password of nobody', static fn (): string => Hash::make(Str::random(40)));
    }
}
