<?php

declare(strict_types=1);

namespace App\People;

use App\Models\User;
use FallBend\Core\Input\BadInput;
use Illuminate\Http\Request;
use Illuminate\Support\Carbon;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Str;

/** The code beside the password: set up, asked for, taken away; and the codes on paper for when the phone is lost. */
final class SecondFactor
{
    private const RECOVERY_CODES = 8;

    /** Begins to set one up: it is asked for once a code of it was typed. */
    public static function begin(User $user): string
    {
        $secret = Totp::newSecret();
        $user->forceFill(['totp_secret' => $secret, 'totp_since' => null, 'totp_last' => null])->save();

        return $secret;
    }

    /** @return list<string>|null the codes on paper, said this once; null: that was not the code */
    public static function confirm(User $user, string $code): ?array
    {
        if ($user->totp_since !== null || ! self::takes($user, $code)) {
            return null;
        }
        $codes = array_map(
            static fn (): string => Str::lower(Str::random(5).'-'.Str::random(5)),
            range(1, self::RECOVERY_CODES),
        );
        $hashes = array_map(self::hash(...), $codes);
        self::set($user, 'second-factor-on', ['totp_since' => Carbon::now(), 'recovery_hashes' => $hashes]);

        return $codes;
    }

    public static function end(User $user): void
    {
        self::set($user, 'second-factor-off', [
            'totp_secret' => null,
            'totp_since' => null,
            'totp_last' => null,
            'recovery_hashes' => null,
        ]);
    }

    /** @param array<string, mixed> $to */
    private static function set(User $user, string $act, array $to): void
    {
        DB::transaction(static function () use ($user, $act, $to): void {
            $user->forceFill($to)->save();
            Audit::ofAccount($user, $act);
        });
    }

    public static function isAskedOf(User $user): bool
    {
        return $user->totp_since !== null;
    }

    /**
     * Lets through whoever has a code, where one is asked for.
     *
     * @throws BadInput if the code is missing or opens nothing
     */
    public static function ask(Request $request, User $user, string $code): void
    {
        if (! self::isAskedOf($user)) {
            return;
        }
        if ($code === '') {
            throw BadInput::at('code', 'Type the code that your phone shows for Fall Bend, or one from your paper.');
        }
        Attempts::holdCodes($request, $user);
        if (! self::opens($user, trim($code))) {
            Attempts::failedCode($request, $user);
            throw BadInput::at('code', 'This code opens nothing. Each does once: wait for the next one.');
        }
    }

    /** Whether a code opens: of the phone, or one on paper. Each does once, of two who send the same one gets in. */
    private static function opens(User $user, string $code): bool
    {
        return self::takes($user, $code) || self::takesFromPaper($user, $code);
    }

    private static function takes(User $user, string $code): bool
    {
        return $user->holding(static function (User $held) use ($code): bool {
            $step =
                $held->totp_secret === null
                    ? null
                    : Totp::step($held->totp_secret, $code, Carbon::now()->getTimestamp(), $held->totp_last);
            if ($step === null) {
                return false;
            }
            $held->forceFill(['totp_last' => $step])->save();

            return true;
        });
    }

    private static function takesFromPaper(User $user, string $code): bool
    {
        return $user->holding(static function (User $held) use ($code): bool {
            $hashes = $held->recovery_hashes ?? [];
            $left = array_values(array_diff($hashes, [self::hash(Str::lower(trim($code)))]));
            if (count($left) === count($hashes)) {
                return false;
            }
            $held->forceFill(['recovery_hashes' => $left])->save();
            Audit::ofAccount($held, 'recovery-code', ['left' => count($left)]);

            return true;
        });
    }

    /** Fifty bits of chance each, so a plain hash tells nobody anything. */
    private static function hash(string $code): string
    {
        return hash('sha256', $code);
    }
}
