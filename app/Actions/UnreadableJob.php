<?php

declare(strict_types=1);

namespace App\Actions;

use App\Models\Job;
use FallBend\Core\Input\BadInput;
use RuntimeException;

/**
 * A job whose newest revision cannot be read, or not be evaluated. It stays as it is; an older revision may be gone
 * back to.
 */
final class UnreadableJob extends RuntimeException
{
    private function __construct(public readonly Job $job, string $message)
    {
        parent::__construct($message);
    }

    public static function because(Job $job, BadInput $bad): self
    {
        return new self($job, self::inWords($bad));
    }

    /** What is wrong, with the place where it stands. */
    public static function inWords(BadInput $bad): string
    {
        return $bad->field === '' ? $bad->getMessage() : "{$bad->field}: {$bad->getMessage()}";
    }
}
