<?php

declare(strict_types=1);

namespace League\Config\Exception;

use InvalidArgumentException;

final class UnknownOptionException extends InvalidArgumentException implements ConfigurationExceptionInterface
{
    public static function at(string $path): self
    {
        return new self("The option '{$path}' is not known.");
    }
}
