<?php

declare(strict_types=1);

namespace App\People;

use App\Jobs\SendLetter;

/** Letters to people. They wait in the queue, and are tried again where the mail server does not answer. */
final class Letters
{
    public static function send(string $to, string $name, string $subject, string $text): void
    {
        SendLetter::dispatch($to, $name, $subject, $text);
    }

    /** Where this installation is found, for links. */
    public static function root(): string
    {
        $root = config('app.url');

        return is_string($root) ? rtrim($root, '/') : '';
    }
}
