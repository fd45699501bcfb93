<?php

declare(strict_types=1);

namespace League\Config;

/** Reads a configuration by dotted key. */
interface ConfigurationInterface
{
    public function get(string $key): mixed;

    public function exists(string $key): bool;
}
