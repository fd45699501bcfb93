<?php

declare(strict_types=1);

namespace League\Config;

/** Holds a configuration that can be read. */
interface ConfigurationProviderInterface
{
    public function getConfiguration(): ConfigurationInterface;
}
