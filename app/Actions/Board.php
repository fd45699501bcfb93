<?php

declare(strict_types=1);

namespace App\Actions;

use App\Answers\JobAnswer;
use FallBend\Core\Input\BadInput;
use Illuminate\Database\Query\Builder;
use Illuminate\Support\Carbon;
use Illuminate\Support\Facades\DB;
use stdClass;

/**
 * The jobs of somebody's crews a page at a time, searched and sorted in the database. Nothing is evaluated: a row shows
 * what was
 * stored with the job, as the JSON that was stored.
 */
final readonly class Board
{
    public const PAGE = 25;

    /** `kept`: the one kept last first; `name`: in the order of the alphabet. */
    public const ORDERS = ['kept', 'name'];

    /** What a place is: the second in which the last job was kept, or its name, and its id. */
    private const PLACE = '/^(\d{1,10}|n[0-9a-f]{0,1020})-([0-9a-z]{26})\z/';

    /**
     * @param string $search a part of the names that are wanted; empty: all
     * @param string $order one of ORDERS
     * @param ?string $after the place where the page before ended, as it was answered; null: the first page
     * @return string JSON, shape `BoardPage` of the API description
     *
     * @throws BadInput if the place is none
     */
    public function page(int $userId, string $search, string $order, ?string $after): string
    {
        $found = self::found($userId, $search);
        $ids = self::sorted((clone $found)->select('jobs.id'), $order)->limit(self::PAGE + 1);
        if ($after !== null) {
            self::after($ids, $order, $after);
        }
        // Ids are sorted, and the few of the page fetched: a summary is thousands of bytes.
        $page = DB::query()
            ->fromSub($ids, 'page')
            ->join('jobs', 'jobs.id', '=', 'page.id')
            ->leftJoin('users', 'users.id', '=', 'jobs.kept_by_id')
            ->select([
                'jobs.id',
                'jobs.name',
                'head',
                'jobs.updated_at',
                'summary',
                'unreadable',
                'users.name as kept_by',
            ])
            ->selectSub($found->selectRaw('count(*)'), 'found');
        $rows = array_values(self::sorted($page, $order)->get()->all());
        $shown = array_slice($rows, 0, self::PAGE);
        $last = $shown[count($shown) - 1] ?? null;
        $count = $rows === [] ? 0 : $rows[0]->found;

        return JobAnswer::object([
            'jobs' => '['.implode(',', array_map(self::row(...), $shown)).']',
            'count' => JobAnswer::json($count),
            'next' => JobAnswer::json($last !== null && count($rows) > self::PAGE ? self::place($last, $order) : null),
        ]);
    }

    /** The jobs of the crews that a user is in, with a word in their names. */
    private static function found(int $userId, string $search): Builder
    {
        $ofUser = static fn (Builder $crews): Builder => $crews
            ->select('crew_id')
            ->from('crew_user')
            ->where('user_id', $userId);
        $found = DB::table('jobs')->whereIn('crew_id', $ofUser);

        return $search === '' ? $found : $found->where('jobs.name', 'like', '%'.addcslashes($search, '%_\\').'%');
    }

    private static function sorted(Builder $jobs, string $order): Builder
    {
        return $order === 'name'
            ? $jobs->orderBy('jobs.name')->orderBy('jobs.id')
            : $jobs->orderByDesc('jobs.updated_at')->orderByDesc('jobs.id');
    }

    /** @return string JSON, shape `JobRow` */
    private static function row(stdClass $job): string
    {
        return JobAnswer::object(
            array_map(JobAnswer::json(...), [
                'id' => $job->id,
                'name' => $job->name,
                'revision' => $job->head,
                'kept_at' => self::at($job)->toIso8601String(),
                'kept_by' => $job->kept_by ?? '',
                'unreadable' => $job->unreadable,
            ]) + ['summary' => is_string($job->summary) ? $job->summary : 'null'],
        );
    }

    private static function at(stdClass $job): Carbon
    {
        return Carbon::parse(is_string($job->updated_at) ? $job->updated_at : 'now', 'UTC');
    }

    private static function place(stdClass $job, string $order): string
    {
        $name = is_string($job->name) ? $job->name : '';
        $id = is_string($job->id) ? $job->id : '';

        return ($order === 'name' ? 'n'.bin2hex($name) : (string) self::at($job)->getTimestamp())."-{$id}";
    }

    /** @throws BadInput if the place is none of this order */
    private static function after(Builder $page, string $order, string $place): void
    {
        if (preg_match(self::PLACE, $place, $m) !== 1 || ($order === 'name') !== str_starts_with($m[1], 'n')) {
            throw BadInput::at('after', 'is no place on the board', $place);
        }
        [$column, $than] = $order === 'name' ? ['jobs.name', '>'] : ['jobs.updated_at', '<'];
        $at = $order === 'name' ? (string) @hex2bin(substr($m[1], 1)) : Carbon::createFromTimestamp((int) $m[1]);
        $page->where(
            static fn (Builder $later): Builder => $later
                ->where($column, $than, $at)
                ->orWhere(
                    static fn (Builder $same): Builder => $same->where($column, $at)->where('jobs.id', $than, $m[2]),
                ),
        );
    }
}
