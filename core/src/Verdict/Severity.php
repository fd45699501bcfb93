<?php

declare(strict_types=1);

namespace FallBend\Core\Verdict;

/** How much a finding weighs. `unknown` is never a pass: it says what to measure. */
enum Severity: string
{
    case Stop = 'stop';
    case Warn = 'warn';
    case Unknown = 'unknown';
    case Note = 'note';

    /** For sorting: the heaviest first. */
    public function rank(): int
    {
        return match ($this) {
            self::Stop => 0,
            self::Warn => 1,
            self::Unknown => 2,
            self::Note => 3,
        };
    }
}
