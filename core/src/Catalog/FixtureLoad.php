<?php

declare(strict_types=1);

namespace FallBend\Core\Catalog;

/**
 * What one fixture loads a drain with: fixture units, or litres a second where the rulebook counts so; and the least
 * trap that it needs.
 */
final readonly class FixtureLoad
{
    public function __construct(
        public string $fixture,
        public string $name,
        public float $value,
        public string $unit,
        public ?string $trapSize,
        public Provenance $provenance,
    ) {}
}
