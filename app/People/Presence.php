<?php

declare(strict_types=1);

namespace App\People;

use App\Models\Job;
use App\Models\User;
use Illuminate\Support\Carbon;
use Illuminate\Support\Facades\DB;

/**
 * Who has a job open: each page says so whenever it asks for the log, with a name of its own and the station that it
 * shows. Nothing is kept of it for longer than that takes.
 *
 * @phpstan-type There array{name: string, me: bool, station: string}
 */
final readonly class Presence
{
    /** A page asks every four seconds; one that was not heard of for so long is closed, or away. */
    private const SECONDS = 15;

    /** What a page says of itself in the header: its name, and the station that it shows. */
    private const SAID = '/^([A-Za-z0-9-]{6,20}) ([a-z-]{1,20})\z/';

    /**
     * Notes that a page is open, and gives the others.
     *
     * @param ?string $said what the page says of itself; one that says nothing is not noted
     * @return list<There>
     */
    public static function of(Job $job, User $user, ?string $said): array
    {
        if ($said === null || preg_match(self::SAID, $said, $found) !== 1) {
            return [];
        }
        [, $page, $station] = $found;
        $row = ['job_id' => $job->id, 'user_id' => $user->id, 'page' => $page];
        $seen = ['station' => $station, 'seen_at' => Carbon::now()];
        DB::table('presences')->upsert($row + $seen, array_keys($row), array_keys($seen));
        if (random_int(1, 500) === 1) {
            DB::table('presences')->where('seen_at', '<', Carbon::now()->subHour())->delete();
        }

        return self::others($job, $user, $page);
    }

    /** @return list<There> whoever was heard of just now, but for one page */
    private static function others(Job $job, User $user, string $page): array
    {
        /** @var list<object{name: string, user_id: int, station: string}> $there */
        $there = DB::select(
            'SELECT users.name, user_id, station FROM presences JOIN users ON users.id = user_id '.
                'WHERE job_id = ? AND page != ? AND seen_at >= ? ORDER BY users.name, page',
            [$job->id, $page, Carbon::now()->subSeconds(self::SECONDS)],
        );

        return array_map(
            static fn (object $one): array => [
                'name' => $one->name,
                'me' => $one->user_id === $user->id,
                'station' => $one->station,
            ],
            $there,
        );
    }
}
