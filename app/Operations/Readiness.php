<?php

declare(strict_types=1);

namespace App\Operations;

use Illuminate\Support\Carbon;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\Queue;
use Throwable;

/**
 * Whether this node can take requests: its database answers and takes writes, its clock goes right. That letters are
 * late or that a disk is full is said, and is no reason to take a node out: what is only asked it answers.
 *
 * @phpstan-type Check array{ok: bool, says: string}
 */
final class Readiness
{
    /** Letters that wait for longer than this are late. */
    private const LATE_SECONDS = 600;

    /** The clocks of a node and of its database may differ by so much. */
    private const CLOCK_SECONDS = 5;

    /** @return array{ready: bool, checks: array<string, Check>} */
    public static function now(): array
    {
        $database = self::check(self::database(...));
        $checks = ['database' => $database, 'disk' => self::check(self::disk(...))];
        if ($database['ok']) {
            $checks += ['clock' => self::check(self::clock(...)), 'queue' => self::check(self::queue(...))];
        }
        $needed = array_intersect_key($checks, ['database' => 0, 'clock' => 0]);

        return ['ready' => ! in_array(false, array_column($needed, 'ok'), true), 'checks' => $checks];
    }

    /** How long the oldest letter that could have been sent has waited, in seconds. */
    public static function queueAge(): int
    {
        $oldest = Queue::creationTimeOfOldestPendingJob();

        return $oldest === null ? 0 : max(0, Carbon::now()->getTimestamp() - $oldest);
    }

    /** @return Check */
    private static function database(): array
    {
        return DB::scalar('SELECT @@read_only') === 0
            ? ['ok' => true, 'says' => 'takes writes']
            : ['ok' => false, 'says' => 'takes no writes'];
    }

    /** @return Check */
    private static function disk(): array
    {
        $free = Room::freeMegabytes();

        return [
            'ok' => Room::isThere(),
            'says' => $free === null ? 'not known on this node' : "{$free} MB free",
        ];
    }

    /** @return Check */
    private static function clock(): array
    {
        $there = DB::scalar('SELECT UNIX_TIMESTAMP()');
        $off = abs(time() - (is_numeric($there) ? (int) $there : 0));

        return ['ok' => $off <= self::CLOCK_SECONDS, 'says' => "{$off} s from that of the database"];
    }

    /** @return Check */
    private static function queue(): array
    {
        $age = self::queueAge();

        return ['ok' => $age < self::LATE_SECONDS, 'says' => "the oldest letter has waited {$age} s"];
    }

    /**
     * @param callable(): Check $check
     * @return Check
     */
    private static function check(callable $check): array
    {
        try {
            return $check();
        } catch (Throwable) {
            return ['ok' => false, 'says' => 'does not answer'];
        }
    }
}
