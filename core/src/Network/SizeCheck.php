<?php

declare(strict_types=1);

namespace FallBend\Core\Network;

use FallBend\Core\Catalog\Provenance;

/** What one stretch of a pipe may carry. */
final readonly class SizeCheck
{
    /**
     * @param string $place `branch`, `drain`, `stack`
     * @param ?float $mostLoad in the unit of the rulebook; null where it has no number
     * @param ?string $proposed the smallest size that would do; null where none of the system does, or it is the present one
     */
    public function __construct(public string $size, public string $place, public ?float $mostLoad, public ?string $proposed, public ?Provenance $source) {}
}
