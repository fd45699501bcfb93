<?php

declare(strict_types=1);

namespace FallBend\Core\CallOut;

use FallBend\Core\Job\End;

/** How a run was said to begin. */
final readonly class RunBeginning
{
    /**
     * @param ?End $outlet null where it was not understood
     * @param ?string $size null: what is usual
     * @param ?string $system key; null: what is usual
     * @param list<Unread> $unread
     */
    public function __construct(
        public string $name,
        public ?End $outlet,
        public ?string $size,
        public ?string $system,
        public float $headingDeg,
        public array $unread,
    ) {}
}
