<?php

declare(strict_types=1);

namespace App\Actions;

use App\Models\Job;
use FallBend\Core\Input\BadInput;
use Illuminate\Database\Eloquent\Builder;
use Illuminate\Support\Carbon;

/** The jobs of crews a page at a time, the one kept last first. Nothing is evaluated: a row shows what was stored with the job. */
final readonly class Board
{
    public const PAGE = 25;

    /** @param  list<int>  $crews */
    public function count(array $crews): int
    {
        return Job::query()->whereIn('crew_id', $crews)->count();
    }

    /**
     * @param list<int> $crews
     * @param ?string $after the place where the page before ended, as `place` gave it; null: the first page
     * @return array{list<Job>, ?string} the jobs, and the place where the next page begins; null: there is none
     *
     * @throws BadInput if the place is none
     */
    public function page(array $crews, ?string $after): array
    {
        $jobs = Job::query()->whereIn('crew_id', $crews)->with('keptBy')->orderByDesc('updated_at')->orderByDesc('id');
        if ($after !== null) {
            [$at, $id] = self::read($after);
            $jobs->where(static fn (Builder $earlier): Builder => $earlier
                ->where('updated_at', '<', $at)
                ->orWhere(static fn (Builder $same): Builder => $same->where('updated_at', $at)->where('id', '<', $id)));
        }
        $rows = array_values($jobs->limit(self::PAGE + 1)->get()->all());
        $page = array_slice($rows, 0, self::PAGE);
        $last = $page[count($page) - 1] ?? null;

        return [$page, $last !== null && count($rows) > self::PAGE ? self::place($last) : null];
    }

    private static function place(Job $job): string
    {
        return "{$job->updated_at->getTimestamp()}-{$job->id}";
    }

    /** @return array{Carbon, string} */
    private static function read(string $place): array
    {
        return preg_match('/^(\d{1,10})-([0-9a-z]{26})\z/', $place, $m) === 1 ? [Carbon::createFromTimestamp((int) $m[1]), $m[2]]
            : throw BadInput::at('after', 'is no place on the board', $place);
    }
}
