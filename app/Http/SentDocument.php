<?php

declare(strict_types=1);

namespace App\Http;

use JsonException;
use stdClass;
use Swaggest\JsonDiff\Exception as NotApplicable;
use Swaggest\JsonDiff\JsonPatch;

/**
 * A document that was sent as what differs from a revision: a JSON Patch (RFC 6902), and sums over the document that it
 * is to come to, by which both sides know that they mean the same.
 *
 * @phpstan-type Sums array{leaves: int, letters: int, numbers: int}
 */
final readonly class SentDocument
{
    /** Nothing is copied or moved: a small patch makes no large document. */
    private const OPERATIONS = ['add', 'remove', 'replace'];

    /** A prime, so that what is added up stays small. */
    private const MODULUS = 1_000_003;

    /**
     * Gives the document; null where the patch does not fit the text, or does not come to what was meant.
     *
     * @param string $text of the revision
     * @param list<stdClass> $patch
     * @param array<array-key, mixed> $sums
     * @return array<array-key, mixed>|null
     */
    public static function of(string $text, array $patch, array $sums): ?array
    {
        foreach ($patch as $operation) {
            if (! in_array($operation->op ?? null, self::OPERATIONS, true)) {
                return null;
            }
        }
        try {
            $document = json_decode($text, false, 64, JSON_THROW_ON_ERROR);
            JsonPatch::import($patch)->apply($document);
            $decoded = json_decode(self::encoded($document), true, 64, JSON_THROW_ON_ERROR);
        } catch (NotApplicable|JsonException) {
            return null;
        }

        return is_array($decoded) && self::isSum($sums, self::sums($decoded)) ? $decoded : null;
    }

    /**
     * @param array<array-key, mixed> $said
     * @param Sums $sums
     */
    private static function isSum(array $said, array $sums): bool
    {
        foreach ($sums as $name => $sum) {
            if (($said[$name] ?? null) !== $sum) {
                return false;
            }
        }

        return true;
    }

    private static function encoded(mixed $document): string
    {
        return json_encode(
            $document,
            JSON_THROW_ON_ERROR | JSON_UNESCAPED_UNICODE | JSON_UNESCAPED_SLASHES | JSON_PRESERVE_ZERO_FRACTION,
        );
    }

    /**
     * Gives how many values there are, how many letters in all names and texts (UTF-16), and the sum of all numbers in
     * eighths, each with a remainder: the same in the browser (`resources/js/api/differences.ts`).
     *
     * @return Sums
     */
    public static function sums(mixed $value): array
    {
        $sums = ['leaves' => 0, 'letters' => 0, 'numbers' => 0];
        self::add($value, $sums);

        return $sums;
    }

    /** @param Sums $sums */
    private static function add(mixed $value, array &$sums): void
    {
        if (is_array($value)) {
            $isList = array_is_list($value);
            foreach ($value as $key => $one) {
                $sums['letters'] += $isList ? 0 : self::letters((string) $key);
                self::add($one, $sums);
            }

            return;
        }
        $sums['leaves']++;
        $sums['letters'] += is_string($value) ? self::letters($value) : 0;
        $sums['numbers'] += match (true) {
            is_int($value), is_float($value) => (int) fmod(floor($value * 8), self::MODULUS),
            default => $value === true ? 1 : 0,
        };
    }

    private static function letters(string $text): int
    {
        return preg_match('/[^\x00-\x7f]/', $text) === 1
            ? intdiv(strlen(mb_convert_encoding($text, 'UTF-16LE', 'UTF-8')), 2)
            : strlen($text);
    }
}
