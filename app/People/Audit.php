<?php

declare(strict_types=1);

namespace App\People;

use App\Http\RequestId;
use App\Models\AuditEntry;
use App\Models\Crew;
use App\Models\User;
use Illuminate\Support\Carbon;
use Illuminate\Support\Facades\DB;
use LogicException;

/**
 * What was done, by whom, when: of a crew, its people and its jobs, for the owners of the crew; of an account, for
 * whoever has it. It is written in the transaction of what it tells of, so that neither is there without the other, and
 * is never changed.
 */
final class Audit
{
    /** So many are shown at once. */
    private const PAGE = 100;

    /**
     * @param array<string, string|int|null> $about what it was done to, in the words of that moment
     */
    public static function ofCrew(int $crew, string $act, User $by, array $about = []): void
    {
        self::write($crew, $act, $by, $about);
    }

    /** @param array<string, string|int|null> $about */
    public static function ofAccount(User $account, string $act, array $about = []): void
    {
        self::write(null, $act, $account, $about);
    }

    /**
     * @param ?int $before the entry before which they stand; null: the newest
     * @return list<array<string, mixed>> the newest first
     */
    public static function readOfCrew(Crew $crew, ?int $before): array
    {
        return self::read(['crew_id' => $crew->id], $before);
    }

    /** @return list<array<string, mixed>> the newest first */
    public static function readOfAccount(User $account, ?int $before): array
    {
        return self::read(['crew_id' => null, 'actor_id' => $account->id], $before);
    }

    /**
     * @param array<string, ?int> $of
     * @return list<array<string, mixed>>
     */
    private static function read(array $of, ?int $before): array
    {
        $entries = AuditEntry::query()->where($of)->orderByDesc('id')->limit(self::PAGE);
        if ($before !== null) {
            $entries->where('id', '<', $before);
        }

        return array_values($entries->get()->map(static fn (AuditEntry $one): array => $one->written())->all());
    }

    /** @param array<string, string|int|null> $about */
    private static function write(?int $crew, string $act, User $by, array $about): void
    {
        if (DB::transactionLevel() === 0) {
            throw new LogicException("What is noted of {$act} stands in no transaction with what is done.");
        }
        AuditEntry::query()->create([
            'crew_id' => $crew,
            'actor_id' => $by->id,
            'actor' => $by->name,
            'act' => $act,
            'about' => $about,
            'request' => RequestId::current(),
            'created_at' => Carbon::now(),
        ]);
    }
}
