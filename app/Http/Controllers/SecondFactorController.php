<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Models\User;
use App\People\Attempts;
use App\People\Passwords;
use App\People\SecondFactor;
use App\People\Totp;
use FallBend\Core\Input\BadInput;
use FallBend\Core\Input\Fields;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;

/**
 * A second factor for one's own account.
 *
 * @phpstan-type BegunSecondFactor array{secret: string, address: string}
 * @phpstan-type RecoveryCodes array{codes: list<string>}
 */
final class SecondFactorController
{
    /** Begins to set it up, given the password: what the phone reads is said this once. */
    public function begin(Request $request): JsonResponse
    {
        $user = self::withPassword($request);
        if (SecondFactor::isAskedOf($user)) {
            throw BadInput::at('current', 'There is a second factor already: take it off first.');
        }
        $secret = SecondFactor::begin($user);

        return new JsonResponse(['secret' => $secret, 'address' => Totp::address($secret, $user->email)], 201);
    }

    /** From now on it is asked for, given a code of it. */
    public function confirm(Request $request): JsonResponse
    {
        Attempts::slowDown($request, 'second factor');
        $body = Fields::of($request->json()->all());
        $code = trim($body->string('code', 20));
        $body->end();

        return new JsonResponse([
            'codes' => SecondFactor::confirm(User::asking($request), $code) ??
                throw BadInput::at('code', 'That is not the code of now. Is the clock of the phone right?'),
        ]);
    }

    /** It is asked for no more, given the password. */
    public function end(Request $request): JsonResponse
    {
        SecondFactor::end(self::withPassword($request));

        return new JsonResponse(null, 204);
    }

    private static function withPassword(Request $request): User
    {
        Attempts::slowDown($request, 'password');
        $body = Fields::of($request->json()->all());
        $current = $body->string('current', 200);
        $body->end();
        $user = User::asking($request);
        Passwords::confirm($user, $current);

        return $user;
    }
}
