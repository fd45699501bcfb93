<?php

declare(strict_types=1);

namespace App\Actions;

use App\Models\Job;
use App\Models\User;
use App\People\Audit;
use Illuminate\Database\Eloquent\Builder;
use Illuminate\Support\Carbon;
use Illuminate\Support\Facades\DB;

/**
 * Takes jobs off the board and puts them back. An archived job stays as it is, and can be opened. A deleted one cannot,
 * and is gone for good after some days.
 */
final readonly class PutAway
{
    /** A deleted job can be put back for so long. */
    public const DAYS = 30;

    /** So many are taken out for good at once: each may have photographs. */
    private const AT_ONCE = 20;

    public function archive(Job $job, User $by): void
    {
        self::set($job, $by, 'job-archived', ['archived_at' => $job->archived_at ?? Carbon::now()]);
    }

    /** Puts an archived or a deleted job among the open ones. */
    public function putBack(Job $job, User $by): void
    {
        $nowhere = ['archived_at' => null, 'deleted_at' => null, 'deleted_by_id' => null];
        self::set($job, $by, 'job-put-back', $nowhere);
    }

    public function delete(Job $job, User $by): void
    {
        self::set($job, $by, 'job-deleted', ['deleted_at' => Carbon::now(), 'deleted_by_id' => $by->id]);
        $this->forget();
    }

    /** Takes out for good what was deleted long enough ago. */
    public function forget(): int
    {
        $gone = Job::query()->where('deleted_at', '<=', self::keptSince())->limit(self::AT_ONCE)->pluck('id');
        foreach ($gone as $id) {
            Job::query()->whereKey($id)->where('deleted_at', '<=', self::keptSince())->delete();
        }

        return $gone->count();
    }

    /** What was deleted after this can be put back, in UTC as the database has it. */
    public static function keptSince(): string
    {
        return Carbon::now('UTC')->subDays(self::DAYS)->format('Y-m-d H:i:s');
    }

    /** Gives when a job that was deleted then, in UTC, is gone for good: ISO 8601. */
    public static function goneOn(string $deletedAt): string
    {
        return Carbon::parse($deletedAt, 'UTC')->addDays(self::DAYS)->toIso8601String();
    }

    /** @param array<string, mixed> $to */
    private static function set(Job $job, User $by, string $act, array $to): void
    {
        DB::transaction(static function () use ($job, $by, $act, $to): void {
            $job->note($to);
            Audit::ofCrew($job->crew_id, $act, $by, ['job' => $job->name]);
        });
    }

    /**
     * Gives a deleted job of the crews that a user is in, while it can be put back.
     *
     * @return Builder<Job>
     */
    public static function deletedOf(User $user): Builder
    {
        return Job::ofUser($user->id)->where('deleted_at', '>', self::keptSince());
    }
}
