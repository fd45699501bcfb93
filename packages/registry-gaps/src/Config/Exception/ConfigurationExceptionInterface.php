<?php

declare(strict_types=1);

namespace League\Config\Exception;

use Throwable;

/** Anything that is wrong with a configuration. */
interface ConfigurationExceptionInterface extends Throwable {}
