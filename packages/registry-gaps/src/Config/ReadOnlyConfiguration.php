<?php

declare(strict_types=1);

namespace League\Config;

/** A configuration that can be read and no longer changed. */
final class ReadOnlyConfiguration implements ConfigurationInterface
{
    public function __construct(private readonly Configuration $configuration) {}

    public function get(string $key): mixed
    {
        return $this->configuration->get($key);
    }

    public function exists(string $key): bool
    {
        return $this->configuration->exists($key);
    }
}
