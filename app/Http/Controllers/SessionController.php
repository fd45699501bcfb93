<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Models\Crew;
use App\Models\User;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use Illuminate\Support\Facades\Auth;
use Illuminate\Validation\ValidationException;

/** Signing in and out, and who is signed in. */
final class SessionController
{
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
        if (! Auth::attempt($given)) {
            throw ValidationException::withMessages(['email' => 'No one signs in with this address and password.']);
        }
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
