<?php

declare(strict_types=1);

namespace App\People;

use App\Models\User;

/**
 * Accounts for whoever asks, where the installation lets them (SIGN_UP=open). Whoever asks has a letter first: the link
 * in it names the address and the time, under a seal, and nothing is kept until it is opened.
 */
final class SignUp
{
    private const HOURS = 24;

    private const WHAT = 'sign-up';

    public static function isOpen(): bool
    {
        return config('people.sign_up') === 'open';
    }

    /** Writes to an address: a link to make an account with, or that there is one already. */
    public static function write(string $email): void
    {
        $root = Letters::root();
        $link = SealedLink::of(self::WHAT, self::HOURS, ['email' => $email]);
        $what = User::query()->where('email', $email)->exists()
            ? "There is an account with this address already. Sign in with it, or ask for a new password, at {$root}"
            : "Open this within a day, on any device:\n{$root}/sign-up/{$link}";
        $text = <<<TEXT
            Hello,

            somebody, most likely you, asked for an account for {$email} at {$root}.

            {$what}

            If it was not you, do nothing.
            TEXT;
        Letters::send($email, $email, 'Fall Bend: your account', $text);
    }

    /** Gives the address that a link was made for; 404 where it opens nothing, whatever the reason. */
    public static function opened(string $letter): string
    {
        $email = SealedLink::opened(self::WHAT, $letter)['email'] ?? '';
        $opens = is_string($email) && $email !== '' && User::query()->where('email', $email)->doesntExist();
        abort_unless($opens, 404, 'This link opens nothing any more. Ask for a new one.');

        return $email;
    }
}
