<?php

declare(strict_types=1);

namespace FallBend\Core\Input;

use FallBend\Core\CoreException;
use RuntimeException;

/** Something given from outside that cannot be taken, with the place where it stands. */
final class BadInput extends RuntimeException implements CoreException
{
    private function __construct(public readonly string $field, string $message, public readonly mixed $given)
    {
        parent::__construct($message);
    }

    /** @param string $field the place, dotted: `legs.2.length_mm`; empty for the whole */
    public static function at(string $field, string $message, mixed $given = null): self
    {
        return new self($field, $message, self::cut($given));
    }

    /**
     * @return array{error: array{field: string, message: string, given: mixed}} the shape of reckoners and HTTP answers
     */
    public function toArray(): array
    {
        return ['error' => ['field' => $this->field, 'message' => $this->getMessage(), 'given' => $this->given]];
    }

    private static function cut(mixed $given): mixed
    {
        return match (true) {
            is_string($given) => mb_strimwidth(mb_scrub($given), 0, 80, '…'),
            is_array($given) => array_is_list($given) ? 'a list of '.count($given) : 'an object',
            is_float($given) && ! is_finite($given) => 'not finite',
            default => $given,
        };
    }
}
