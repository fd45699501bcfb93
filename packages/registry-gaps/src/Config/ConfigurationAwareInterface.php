<?php

declare(strict_types=1);

namespace League\Config;

/** Wants to be given the configuration. */
interface ConfigurationAwareInterface
{
    public function setConfiguration(ConfigurationInterface $configuration): void;
}
