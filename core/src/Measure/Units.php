<?php

declare(strict_types=1);

namespace FallBend\Core\Measure;

/** What a bare number on the tape means, and how lengths are said back. */
enum Units: string
{
    case Inch = 'inch';
    case Millimetre = 'mm';

    /** The finest mark that is read on a tape: 1/16 in or 1 mm, in nanometres. */
    public function markNm(): int
    {
        return match ($this) {
            self::Inch => Length::NM_PER_INCH / 16,
            self::Millimetre => Length::NM_PER_MM,
        };
    }
}
