<?php

declare(strict_types=1);

namespace App\People;

use ParagonIE\ConstantTime\Base32;

/**
 * Codes of six digits that change every half minute, as an application on a phone makes them of a secret that both
 * know: RFC 6238, with SHA-1 and a step of 30 s, which is what those applications take for granted.
 */
final class Totp
{
    private const STEP_SECONDS = 30;

    /** A phone's clock may be so many steps off. */
    private const STEPS_OFF = 1;

    private const SECRET_BYTES = 20;

    /** @return string a secret in Base32 */
    public static function newSecret(): string
    {
        return Base32::encodeUpperUnpadded(random_bytes(self::SECRET_BYTES));
    }

    /**
     * Gives the step whose code was typed; null: it is the code of none that counts.
     *
     * @param string $secret in Base32
     * @param int $seconds since 1970
     * @param ?int $last the step of the code that was taken last: it and those before count no more
     */
    public static function step(string $secret, string $code, int $seconds, ?int $last): ?int
    {
        $now = intdiv($seconds, self::STEP_SECONDS);
        $found = null;
        for ($step = $now - self::STEPS_OFF; $step <= $now + self::STEPS_OFF; $step++) {
            if (hash_equals(self::code($secret, $step), $code) && $step > ($last ?? -1)) {
                $found = $step;
            }
        }

        return $found;
    }

    /** The code of a step: RFC 4226, section 5.3. */
    public static function code(string $secret, int $step): string
    {
        $hash = hash_hmac('sha1', pack('J', $step), Base32::decodeUpper($secret), true);
        $offset = ord($hash[19]) & 0x0F;
        /** @var array{1: int} $read */
        $read = unpack('N', substr($hash, $offset, 4));

        return str_pad((string) (($read[1] & 0x7FFFFFFF) % 1_000_000), 6, '0', STR_PAD_LEFT);
    }

    /** What stands in the square that a phone reads. */
    public static function address(string $secret, string $email): string
    {
        return 'otpauth://totp/'.rawurlencode("Fall Bend:{$email}")."?secret={$secret}&issuer=Fall%20Bend";
    }
}
