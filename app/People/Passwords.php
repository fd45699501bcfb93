<?php

declare(strict_types=1);

namespace App\People;

use App\Models\User;
use FallBend\Core\Input\BadInput;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\Hash;

/** What a password must be like, and whether it is somebody's. */
final class Passwords
{
    public const SHORTEST = 10;

    /** What is longer is cut off by the hash unseen. */
    public const LONGEST = 72;

    /** @throws BadInput if it is not the password of now */
    public static function confirm(User $user, string $current): void
    {
        if (! Hash::check($current, $user->password)) {
            throw BadInput::at('current', 'This is not your password of now.');
        }
    }

    /**
     * Gives somebody a new password, and signs them out everywhere but in one session, or everywhere.
     *
     * @param string $act as it is noted
     */
    public static function set(User $user, string $password, string $act, ?string $but = null): void
    {
        DB::transaction(static function () use ($user, $password, $act, $but): void {
            $user->forceFill(['password' => Hash::make($password)])->save();
            Sessions::end($user, $but);
            Audit::ofAccount($user, $act);
        });
    }

    /** @return list<string> as the framework checks fields */
    public static function rules(): array
    {
        return ['required', 'string', 'min:'.self::SHORTEST, 'max:'.self::LONGEST];
    }
}
