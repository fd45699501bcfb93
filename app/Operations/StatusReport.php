<?php

declare(strict_types=1);

namespace App\Operations;

use App\Models\Backup;
use Illuminate\Support\Carbon;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\Queue;

/**
 * How the installation is, for those who look after it: what waits, what failed, how old the backups are.
 *
 * @phpstan-import-type Check from Readiness
 *
 * @phpstan-type InstallationStatus array{
 *     version: string,
 *     ready: bool,
 *     checks: list<array{name: string, ok: bool, says: string}>,
 *     letters_waiting: int,
 *     letters_failed: int,
 *     backups: list<array{kind: string, taken_at: string, bytes: int, verified_at: ?string}>,
 *     backup_is_late: bool,
 * }
 */
final class StatusReport
{
    /** A backup is taken each night. */
    private const BACKUP_HOURS = 26;

    private const SHOWN = 10;

    /** @return InstallationStatus */
    public static function now(): array
    {
        ['ready' => $ready, 'checks' => $checks] = Readiness::now();
        $named = [];
        foreach ($checks as $name => $check) {
            $named[] = ['name' => $name] + $check;
        }
        $backups = Backup::query()->orderByDesc('taken_at')->limit(self::SHOWN)->get();
        $version = config('app.version');

        return [
            'version' => is_string($version) ? $version : '',
            'ready' => $ready,
            'checks' => $named,
            'letters_waiting' => Queue::size(),
            'letters_failed' => DB::table('queue_failed')->count(),
            'backups' => array_values($backups->map(static fn (Backup $one): array => $one->written())->all()),
            'backup_is_late' => self::hoursSinceBackup() > self::BACKUP_HOURS,
        ];
    }

    /** @return array<string, float|int> for monitoring */
    public static function gauges(): array
    {
        $now = time();

        return [
            'fall_bend_jobs' => DB::table('jobs')->whereNull('deleted_at')->count(),
            'fall_bend_crews' => DB::table('crews')->count(),
            'fall_bend_signed_in' => DB::table('sessions')->where('last_activity', '>', $now - 900)->count(),
            'fall_bend_letters_waiting' => Queue::size(),
            'fall_bend_letters_failed' => DB::table('queue_failed')->count(),
            'fall_bend_queue_age_seconds' => Readiness::queueAge(),
            'fall_bend_backup_age_hours' => round(self::hoursSinceBackup(), 2),
            'fall_bend_disk_free_megabytes' => Room::freeMegabytes() ?? -1,
        ];
    }

    /** Where none was ever taken: those since 1970. */
    private static function hoursSinceBackup(): float
    {
        $last = Backup::query()->where('kind', Backup::WHOLE)->max('taken_at');

        return Carbon::parse(is_string($last) ? $last : '1970-01-01', 'UTC')->diffInSeconds(Carbon::now()) / 3600;
    }
}
