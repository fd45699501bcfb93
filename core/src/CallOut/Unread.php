<?php

declare(strict_types=1);

namespace FallBend\Core\CallOut;

/**
 * A place in a call-out line that was not understood: character offset and length in the whole text, and what to do.
 */
final readonly class Unread
{
    public function __construct(public int $at, public int $length, public string $message) {}
}
