<?php

declare(strict_types=1);

namespace FallBend\Core\Measure;

use FallBend\Core\CoreException;
use RuntimeException;

/** A text that is no length, with the reason in the words of the person who will read it. */
final class UnreadableLength extends RuntimeException implements CoreException
{
    /** For a text that is no length at all. */
    public static function text(string $text): self
    {
        return new self(self::shown($text).' is not a length. Say it as the tape does: 54 1/2, 4\' 6 1/2", 1384 mm.');
    }

    /** For a comma before exactly three digits. */
    public static function ambiguousComma(string $text): self
    {
        return new self(
            self::shown($text).
                ' can be read two ways: '.
                str_replace(',', '', $text).
                ' or '.
                str_replace(',', '.', $text).
                '. Write it without the comma.',
        );
    }

    /** For thirds and the like, and for fractions of one and more. */
    public static function fraction(string $text): self
    {
        return new self(
            self::shown($text).
                ' has a fraction that no tape has: halves, quarters, eighths, 16ths, 32nds and 64ths below one whole.',
        );
    }

    /** For a bare fraction where bare numbers are millimetres. */
    public static function fractionOfMillimetre(string $text): self
    {
        return new self(
            self::shown($text).
                ' has a fraction, and this job is in millimetres. Add in for inches, or give whole millimetres.',
        );
    }

    /** For 12 inches and more beside feet. */
    public static function inchesBeyondFoot(string $text): self
    {
        return new self(self::shown($text).' has 12 inches or more beside the feet.');
    }

    /** For what is longer than `Length::MOST_NM`. */
    public static function tooLong(string $text): self
    {
        return new self(self::shown($text).' is longer than a kilometre.');
    }

    private static function shown(string $text): string
    {
        return '“'.mb_strimwidth(trim($text), 0, 40, '…').'”';
    }
}
