<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Models\Crew;
use App\Models\User;
use App\People\Attempts;
use App\People\Audit;
use App\People\SecondFactor;
use App\People\Sessions;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use Illuminate\Support\Facades\Auth;
use Illuminate\Support\Facades\Cache;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\Hash;
use Illuminate\Support\Str;
use Illuminate\Validation\ValidationException;

/**
 * Signing in and out, and who is signed in.
 *
 * @phpstan-type Account array{
 *     name: string,
 *     email: string,
 *     crew: ?int,
 *     second_factor: bool,
 *     crews: list<array{id: int, name: string, role: string}>,
 * }
 */
final class SessionController
{
    public function show(Request $request): JsonResponse
    {
        /** @var User $user */
        $user = $request->user();

        return new JsonResponse(self::account($user));
    }

    /** @return Account with the crew that is worked for; null: in none */
    public static function account(User $user): array
    {
        $crew = static fn (Crew $crew): array => [
            'id' => $crew->id,
            'name' => $crew->name,
            'role' => $crew->roleOfMember()->value,
        ];

        return [
            'name' => $user->name,
            'email' => $user->email,
            'crew' => $user->crewId(),
            'second_factor' => SecondFactor::isAskedOf($user),
            'crews' => array_values(array_map($crew, $user->crews->all())),
        ];
    }

    public function store(Request $request): JsonResponse
    {
        /** @var array{email: string, password: string, code?: string} $given */
        $given = $request->validate([
            'email' => ['required', 'string', 'email', 'max:200'],
            'password' => ['required', 'string', 'max:200'],
            'code' => ['string', 'max:20'],
        ]);
        $user = User::query()->where('email', Str::lower($given['email']))->first();
        Attempts::hold($request, $given['email'], $user);
        // A password is hashed whether or not anybody has the address, so that the time taken does not tell.
        $isRight = Hash::check($given['password'], $user->password ?? self::nobodysPassword());
        if ($user === null || ! $isRight) {
            Attempts::failed($request, $given['email']);
            throw ValidationException::withMessages(['email' => 'No one signs in with this address and password.']);
        }
        SecondFactor::ask($request, $user, $given['code'] ?? '');
        Attempts::succeeded($request, $given['email'], $user);
        $device = Sessions::named((string) $request->userAgent());
        DB::transaction(static function () use ($user, $given, $device): void {
            if (Hash::needsRehash($user->password)) {
                $user->forceFill(['password' => Hash::make($given['password'])])->save();
            }
            Audit::ofAccount($user, 'signed-in', ['device' => $device]);
        });
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
