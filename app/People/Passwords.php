<?php

declare(strict_types=1);

namespace App\People;

/** What a password must be like. */
final class Passwords
{
    public const SHORTEST = 10;

    /** What is longer is cut off by the hash unseen. */
    public const LONGEST = 72;

    /** @return list<string> as the framework checks fields */
    public static function rules(): array
    {
        return ['required', 'string', 'min:'.self::SHORTEST, 'max:'.self::LONGEST];
    }
}
