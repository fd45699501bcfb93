<?php

declare(strict_types=1);

namespace FallBend\Core\Sequence;

use DateTimeImmutable;

/** What was done of the joints of a run by now, by their numbers. */
final readonly class DoneJoints
{
    /**
     * @param array<array-key, DateTimeImmutable> $made when each was let go of
     * @param list<string> $dry that were tried dry, those that are made too
     * @param DateTimeImmutable $now what is still to be done begins no sooner
     */
    public function __construct(public array $made, public array $dry, public DateTimeImmutable $now) {}
}
