<?php

declare(strict_types=1);

namespace FallBend\Core\Catalog;

/** A number that the trade takes for granted, with how far it can be trusted. */
final readonly class Assumption implements Storable
{
    use StoredRow;

    /** @param string $what it says, in words */
    public function __construct(
        public float $value,
        public string $unit,
        public Provenance $provenance,
        public string $what = '',
    ) {}
}
