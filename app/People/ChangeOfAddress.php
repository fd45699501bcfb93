<?php

declare(strict_types=1);

namespace App\People;

use App\Models\User;
use Illuminate\Database\UniqueConstraintViolationException;
use Illuminate\Support\Facades\Password;

/**
 * Another address to sign in with. It is taken once a letter that went there was opened; whoever reads the one before
 * is told.
 */
final class ChangeOfAddress
{
    private const WHAT = 'address';

    private const HOURS = 24;

    /** Writes to the new address: a link that takes it, or that somebody has it already. */
    public static function write(User $user, string $to): void
    {
        $root = Letters::root();
        $link = SealedLink::of(self::WHAT, self::HOURS, ['user' => $user->id, 'from' => $user->email, 'to' => $to]);
        $what = User::query()->where('email', $to)->exists()
            ? 'There is an account with this address already, so it cannot be taken for another one.'
            : "Open this within a day, where you are signed in:\n{$root}/address/{$link}";
        // Whoever mistyped it writes to somebody else, who is told nothing of them.
        $text = <<<TEXT
            Hello,

            somebody, most likely you, asked to sign in at {$root} with {$to} from now on.

            {$what}

            If it was not you, do nothing.
            TEXT;
        Letters::send($to, $to, 'Fall Bend: your new address', $text);
    }

    /**
     * Takes the address that a link names; 404 where it opens nothing any more, whatever the reason. It opens for
     * whoever asked for it alone: a letter that went to a mistyped address gives nobody the account.
     */
    public static function open(string $link, User $user): User
    {
        $said = SealedLink::opened(self::WHAT, $link);
        $isTheirs = ($said['user'] ?? 0) === $user->id;
        $to = $isTheirs && is_string($said['to'] ?? null) ? $said['to'] : '';
        $before = $said['from'] ?? '';
        try {
            $taken = $to !== '' && $user->holding(static fn (User $held): bool => self::take($held, $before, $to));
        } catch (UniqueConstraintViolationException) {
            $taken = false;
        }
        abort_unless($taken, 404, 'This link opens nothing any more. Ask for a new one.');

        return $user->refresh();
    }

    /** Takes it, if the address until now is the one from which the link leads. */
    private static function take(User $user, mixed $before, string $to): bool
    {
        $from = $user->email;
        if ($from !== $before) {
            return false;
        }
        // A letter for a new password that went to the address before opens nothing any more.
        Password::deleteToken($user);
        $user->update(['email' => $to]);
        Audit::ofAccount($user, 'address', ['from' => $from, 'to' => $to]);
        $root = Letters::root();
        $text = <<<TEXT
            Hello {$user->name},

            you sign in at {$root} with {$to} from now on, and no longer with {$from}.

            If it was not you, tell an owner of your crew at once.
            TEXT;
        Letters::send($from, $user->name, 'Fall Bend: your address was changed', $text);

        return true;
    }
}
