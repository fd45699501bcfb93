<?php

declare(strict_types=1);

namespace App\People;

use Illuminate\Contracts\Encryption\DecryptException;
use Illuminate\Support\Carbon;
use Illuminate\Support\Facades\Crypt;

/**
 * What stands in the link of a letter, sealed: nobody else makes or reads it, and nothing is kept of it until it is
 * opened.
 */
final class SealedLink
{
    /** As an address names it, in routes; one that was cut off opens nothing, and is told so. */
    public const PATTERN = '[0-9A-Za-z_-]{1,2000}';

    /**
     * Seals what a link is to say when it is opened.
     *
     * @param string $what of which kind it is: other things are sealed with the same key
     * @param int $hours for so long it opens
     * @param array<string, string|int> $said
     */
    public static function of(string $what, int $hours, array $said): string
    {
        $until = Carbon::now()->addHours($hours)->getTimestamp();
        $text = json_encode(['what' => $what, 'until' => $until] + $said, JSON_THROW_ON_ERROR);

        return rtrim(strtr(Crypt::encryptString($text), '+/', '-_'), '=');
    }

    /** @return array<array-key, mixed> what it says; nothing, where it opens nothing, whatever the reason */
    public static function opened(string $what, string $link): array
    {
        try {
            $said = json_decode(Crypt::decryptString(strtr($link, '-_', '+/')), true);
        } catch (DecryptException) {
            return [];
        }
        $opens = is_array($said) && ($said['what'] ?? '') === $what && is_int($said['until'] ?? null);

        return $opens && $said['until'] > Carbon::now()->getTimestamp() ? $said : [];
    }
}
