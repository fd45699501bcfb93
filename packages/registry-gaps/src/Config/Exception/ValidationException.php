<?php

declare(strict_types=1);

namespace League\Config\Exception;

use InvalidArgumentException;
use Nette\Schema\ValidationException as NetteException;

final class ValidationException extends InvalidArgumentException implements ConfigurationExceptionInterface
{
    public static function from(NetteException $innerException): self
    {
        return new self($innerException->getMessage(), $innerException->getCode(), $innerException);
    }
}
