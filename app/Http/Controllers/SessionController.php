<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Models\Crew;
use App\Models\User;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use Illuminate\Support\Facades\Auth;
use Illuminate\Support\Facades\RateLimiter;
use Illuminate\Support\Str;
use Illuminate\Validation\ValidationException;

/** Signing in and out, and who is signed in. */
final class SessionController
{
    private const GUESSES_A_MINUTE = 10;

    public function show(Request $request): JsonResponse
    {
        /** @var User $user */
        $user = $request->user();

        return new JsonResponse([
            'name' => $user->name,
            'email' => $user->email,
            'crews' => $user->crews->map(static fn (Crew $crew): array => ['id' => $crew->id, 'name' => $crew->name])->values(),
        ]);
    }

    public function store(Request $request): JsonResponse
    {
        $given = $request->validate(['email' => ['required', 'string', 'email', 'max:200'], 'password' => ['required', 'string', 'max:200']]);
        $key = 'sign-in '.Str::lower($given['email']).' '.$request->ip();
        abort_if(RateLimiter::tooManyAttempts($key, self::GUESSES_A_MINUTE), 429, 'Too many tries. Wait a minute.');
        if (! Auth::attempt($given)) {
            RateLimiter::hit($key);
            throw ValidationException::withMessages(['email' => 'No one signs in with this address and password.']);
        }
        RateLimiter::clear($key);
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
}
