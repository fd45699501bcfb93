<?php

declare(strict_types=1);

namespace App\People;

use App\Models\User;
use Illuminate\Support\Carbon;

/**
 * Accounts for whoever asks, where the installation lets them (SIGN_UP=open). Whoever asks has a letter first: the link
 * in it names the address and the time, under a seal, and nothing is kept until it is opened.
 */
final class SignUp
{
    private const HOURS = 24;

    public static function isOpen(): bool
    {
        return config('people.sign_up') === 'open';
    }

    /** Writes to an address: a link to make an account with, or that there is one already. */
    public static function write(string $email): void
    {
        $root = Letters::root();
        $has = User::query()->where('email', $email)->exists();
        $what = $has
            ? "There is an account with this address already. Sign in with it, or ask for a new password, at {$root}"
            : "Open this within a day, on any device:\n{$root}/sign-up/".self::seal($email);
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
        [$address, $until, $seal] = [...explode('.', $letter), '', '', ''];
        $email = (string) base64_decode(strtr($address, '-_', '+/'), true);
        $isRight =
            hash_equals(self::sum("{$address}.{$until}"), $seal) &&
            (int) $until > Carbon::now()->getTimestamp() &&
            User::query()->where('email', $email)->doesntExist();
        abort_unless($isRight, 404, 'This link opens nothing any more. Ask for a new one.');

        return $email;
    }

    private static function seal(string $email): string
    {
        $address = rtrim(strtr(base64_encode($email), '+/', '-_'), '=');
        $until = Carbon::now()->addHours(self::HOURS)->getTimestamp();

        return "{$address}.{$until}.".self::sum("{$address}.{$until}");
    }

    private static function sum(string $of): string
    {
        $key = config('app.key');

        return hash_hmac('sha256', "sign-up {$of}", is_string($key) ? $key : '');
    }
}
