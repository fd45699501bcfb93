<?php

declare(strict_types=1);

namespace App\People;

use App\Models\User;
use FallBend\Core\Input\BadInput;
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

    /** @return list<string> as the framework checks fields */
    public static function rules(): array
    {
        return ['required', 'string', 'min:'.self::SHORTEST, 'max:'.self::LONGEST];
    }
}
