<?php

declare(strict_types=1);

namespace League\Config;

/** A configuration while it is being put together. */
interface ConfigurationBuilderInterface extends MutableConfigurationInterface, SchemaBuilderInterface {}
