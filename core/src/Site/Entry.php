<?php

declare(strict_types=1);

namespace FallBend\Core\Site;

use DateTimeImmutable;

/**
 * Something that happened on site, as the log of a job has it.
 *
 * @phpstan-import-type Content from EntryFile
 */
final readonly class Entry
{
    /**
     * @param int $number from 1, in the order in which entries arrived
     * @param string $key made by the device
     * @param Content $content by kind
     * @param DateTimeImmutable $at when it happened, by the clock of the server
     * @param string $by name of who said it
     * @param string $hash of all that stands in it, and of the entry before; empty where nobody asked
     * @param bool $isBrought whether it came in a job file
     */
    public function __construct(
        public int $number,
        public string $key,
        public EntryKind $kind,
        public array $content,
        public DateTimeImmutable $at,
        public string $by,
        public string $hash = '',
        public bool $isBrought = false,
    ) {}
}
