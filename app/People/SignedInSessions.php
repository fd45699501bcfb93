<?php

declare(strict_types=1);

namespace App\People;

use Illuminate\Session\DatabaseSessionHandler;
use Illuminate\Support\Carbon;
use stdClass;

/**
 * Sessions of those who are signed in, in the database. A mere visit leaves none there. That somebody was here is noted
 * once a minute and not with every request, for which the database would have to write to its disk.
 */
final class SignedInSessions extends DatabaseSessionHandler
{
    private const NOTED_EVERY_SECONDS = 60;

    /** What stands in every session of somebody who is signed in (SessionGuard::getName). */
    private const SIGNED_IN = 'login_web_';

    private ?string $read = null;

    private int $lastNoted = 0;

    public function read($sessionId): string
    {
        $row = $this->getQuery()->find($sessionId, ['payload', 'last_activity']);
        [$this->read, $this->lastNoted] = [null, 0];
        if (! $row instanceof stdClass) {
            return '';
        }
        $this->exists = true;
        if ($this->expired($row) || ! property_exists($row, 'payload') || ! is_string($row->payload)) {
            return '';
        }
        $this->read = (string) base64_decode($row->payload, true);
        $this->lastNoted =
            property_exists($row, 'last_activity') && is_int($row->last_activity) ? $row->last_activity : 0;

        return $this->read;
    }

    public function write($sessionId, $data): bool
    {
        if (! str_contains($data, self::SIGNED_IN)) {
            return true;
        }
        $isRecent = Carbon::now()->getTimestamp() - $this->lastNoted < self::NOTED_EVERY_SECONDS;

        return $this->exists && $data === $this->read && $isRecent ? true : parent::write($sessionId, $data);
    }
}
