<?php

declare(strict_types=1);

namespace App\Http;

use Illuminate\Support\Facades\Context;
use Illuminate\Support\Str;

/** By what a request is called: in the logs, in what was done, and to whoever meets an error. */
final class RequestId
{
    public const HEADER = 'X-Request-Id';

    private const KEY = 'request';

    /** What the server before us calls it, or a name of our own where it calls it nothing that can be one. */
    public static function begin(?string $given): string
    {
        $id = $given !== null && preg_match('/^[0-9A-Za-z-]{8,40}\z/', $given) === 1 ? $given : Str::random(20);
        Context::add(self::KEY, $id);

        return $id;
    }

    /** That of the request that is being answered; a command has one of its own. */
    public static function current(): string
    {
        $id = Context::get(self::KEY);

        return is_string($id) ? $id : self::begin(null);
    }
}
