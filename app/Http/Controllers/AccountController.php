<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Models\User;
use App\People\Attempts;
use App\People\Audit;
use App\People\ChangeOfAddress;
use App\People\Passwords;
use App\People\Sessions;
use FallBend\Core\Input\BadInput;
use FallBend\Core\Input\Fields;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use Illuminate\Support\Facades\Auth;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Str;

/** What somebody sets of their own account. */
final class AccountController
{
    /** Changes the name that others see. */
    public function update(Request $request): JsonResponse
    {
        $body = Fields::of($request->json()->all());
        $name = trim($body->string('name', 80));
        $body->end();
        if ($name === '') {
            throw BadInput::at('name', 'must be said', $name);
        }
        $user = User::asking($request);
        DB::transaction(static function () use ($user, $name): void {
            $about = ['from' => $user->name, 'to' => $name];
            $user->update(['name' => $name]);
            // Whoever works with them sees that it is the same person.
            foreach ($user->crews as $crew) {
                Audit::ofCrew($crew->id, 'renamed', $user, $about);
            }
            Audit::ofAccount($user, 'renamed', $about);
        });

        return new JsonResponse(SessionController::account($user));
    }

    /** Asks for another address to sign in with: a letter goes there, with the link that takes it. */
    public function address(Request $request): JsonResponse
    {
        Attempts::slowDown($request, 'address');
        /** @var array{current: string, email: string} $given */
        $given = $request->validate([
            'current' => ['required', 'string', 'max:200'],
            'email' => ['required', 'email', 'max:200'],
        ]);
        $user = User::asking($request);
        Passwords::confirm($user, $given['current']);
        ChangeOfAddress::write($user, Str::lower($given['email']));

        return new JsonResponse(null, 204);
    }

    /** Takes another address to sign in with, for whoever had the letter that went there. */
    public function takeAddress(Request $request, string $letter): JsonResponse
    {
        Attempts::slowDown($request, 'address');
        $user = ChangeOfAddress::open($letter, User::asking($request));
        Auth::setUser($user);

        return new JsonResponse(SessionController::account($user));
    }

    /** A new password, given the one of now: every other device is signed out. */
    public function password(Request $request): JsonResponse
    {
        Attempts::slowDown($request, 'password');
        /** @var array{current: string, password: string} $given */
        $given = $request->validate([
            'current' => ['required', 'string', 'max:200'],
            'password' => Passwords::rules(),
        ]);
        $user = User::asking($request);
        Passwords::confirm($user, $given['current']);
        $request->session()->regenerate();
        Passwords::set($user, $given['password'], 'password', $request->session()->getId());
        // The guard holds the user with the token that was taken from it.
        Auth::setUser($user);

        return new JsonResponse(null, 204);
    }

    /** What was done with the account of whoever asks, the newest first. */
    public function audit(Request $request): JsonResponse
    {
        $entries = Audit::readOfAccount(User::asking($request), MembershipController::before($request));

        return new JsonResponse(['entries' => $entries]);
    }

    /** The devices on which whoever asks is signed in. */
    public function devices(Request $request): JsonResponse
    {
        return new JsonResponse(['devices' => Sessions::of(User::asking($request), $request)]);
    }

    /** Signs out every device but this one. */
    public function signOutElsewhere(Request $request): JsonResponse
    {
        $user = User::asking($request);
        $here = $request->session()->getId();
        DB::transaction(static function () use ($user, $here): void {
            Sessions::end($user, $here);
            Audit::ofAccount($user, 'signed-out-elsewhere');
        });

        return new JsonResponse(null, 204);
    }
}
