<?php

declare(strict_types=1);

namespace App\Questions;

use Closure;
use FallBend\Core\Effort\Effort;

/** What one question may take: so much time, so much memory, and no more once whoever asked has called it off. */
final readonly class Allowance
{
    /** An answer is promised within 5 s: this is what is left of them for searching. */
    public const SECONDS = 4.0;

    /** A question may say for itself how long it may take, within this. */
    public const MOST_SECONDS = 20.0;

    /** What writing the answer takes of the time that was given. */
    private const FOR_THE_ANSWER = 0.2;

    /**
     * More than was in use when it was asked. Of the 96 MB of a worker the rest is for the framework, and for writing
     * the answer.
     */
    private const MOST_BYTES = 56_000_000;

    /** How often it is asked whether somebody called it off, ns. */
    private const ASKED_EVERY_NS = 200_000_000;

    /**
     * @param ?float $seconds that were given; null: as much as any question has
     * @param ?Closure(): bool $isCalledOff
     */
    public static function effort(?float $seconds = null, ?Closure $isCalledOff = null): Effort
    {
        $given = $seconds === null ? self::SECONDS : min($seconds, self::MOST_SECONDS) - self::FOR_THE_ANSWER;
        $end = hrtime(true) + (int) (max(0.01, $given) * 1e9);
        $next = hrtime(true) + self::ASKED_EVERY_NS;
        $mostBytes = memory_get_usage() + self::MOST_BYTES;

        return Effort::unlimited(static function () use ($end, $mostBytes, $isCalledOff, &$next): bool {
            $now = hrtime(true);
            if ($now > $end || memory_get_usage() > $mostBytes) {
                return true;
            }
            if ($isCalledOff === null || $now < $next) {
                return false;
            }
            $next = $now + self::ASKED_EVERY_NS;

            return $isCalledOff();
        });
    }
}
