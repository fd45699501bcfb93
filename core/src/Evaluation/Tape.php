<?php

declare(strict_types=1);

namespace FallBend\Core\Evaluation;

use FallBend\Core\Measure\Length;
use FallBend\Core\Measure\TapePrinter;

/** A computed length as an answer carries it: the number, and how a tape says it in both units. Rounding happens here and nowhere after. */
final class Tape
{
    /** @return array{mm: float, inch: string, feet: string, metric: string} */
    public static function of(float $mm): array
    {
        $length = Length::mm($mm);

        return ['mm' => $mm, 'inch' => TapePrinter::inches($length), 'feet' => TapePrinter::feet($length), 'metric' => TapePrinter::millimetres($length)];
    }

    /** @return array{mm: float, inch: string, feet: string, metric: string}|null */
    public static function orNull(?float $mm): ?array
    {
        return $mm === null ? null : self::of($mm);
    }
}
