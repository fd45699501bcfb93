<?php

declare(strict_types=1);

namespace App\Actions;

use App\Answers\JobAnswer;
use App\Models\User;
use Closure;
use FallBend\Core\Input\BadInput;
use Illuminate\Database\Query\Builder;
use Illuminate\Support\Carbon;
use Illuminate\Support\Facades\DB;
use stdClass;

/**
 * The jobs of a crew a page at a time, searched and sorted in the database. Nothing is evaluated: a row shows
 * what was
 * stored with the job, as the JSON that was stored.
 */
final readonly class Board
{
    public const PAGE = 25;

    /** What a place is: the second in which the last job was kept, or its name, and its id. */
    private const PLACE = '/^(\d{1,10}|n[0-9a-f]{0,1020})-([0-9a-z]{26})\z/';

    /**
     * @param ?int $crew whose board it is; null: of somebody who is in none
     * @return string JSON, shape `BoardPage` of the API description
     *
     * @throws BadInput if the place where it is to go on is none
     */
    public function page(?int $crew, BoardAsked $asked): string
    {
        $found = self::found($crew, $asked);
        $ids = self::sorted((clone $found)->select('jobs.id'), $asked->order)->limit(self::PAGE + 1);
        if ($asked->after !== null) {
            self::after($ids, $asked->order, $asked->after);
        }
        $page = self::columns($ids)->selectSub($found->selectRaw('count(*)'), 'found');
        $rows = array_values(self::sorted($page, $asked->order)->get()->all());
        $shown = array_slice($rows, 0, self::PAGE);
        $last = $shown[count($shown) - 1] ?? null;
        $count = $rows === [] ? 0 : $rows[0]->found;
        $isMore = $last !== null && count($rows) > self::PAGE;

        return JobAnswer::object([
            'jobs' => '['.implode(',', array_map(self::row(...), $shown)).']',
            'count' => JobAnswer::json($count),
            'next' => JobAnswer::json($isMore ? self::place($last, $asked->order) : null),
            'shelves' => JobAnswer::json(self::shelves($crew)),
            'people' => JobAnswer::json(self::people($crew)),
            'projects' => JobAnswer::json(self::projects($crew)),
        ]);
    }

    /** What a row shows, of the jobs of a page: ids are sorted, and these few fetched, for a summary is long. */
    private static function columns(Builder $ids): Builder
    {
        return DB::query()
            ->fromSub($ids, 'page')
            ->join('jobs', 'jobs.id', '=', 'page.id')
            ->leftJoin('users', 'users.id', '=', 'jobs.kept_by_id')
            ->leftJoin('users as removers', 'removers.id', '=', 'jobs.deleted_by_id')
            ->select([
                'jobs.id',
                'jobs.name',
                'jobs.project',
                'head',
                'jobs.updated_at',
                'jobs.deleted_at',
                'summary',
                'unreadable',
                'users.name as kept_by',
                'removers.name as deleted_by',
            ]);
    }

    /** The jobs of a crew that somebody asks for. */
    private static function found(?int $crew, BoardAsked $asked): Builder
    {
        $found = DB::table('jobs')->where('crew_id', $crew);
        match ($asked->shelf) {
            'open' => $found->whereNull('jobs.deleted_at')->whereNull('archived_at'),
            'archived' => $found->whereNull('jobs.deleted_at')->whereNotNull('archived_at'),
            'deleted' => $found->where('jobs.deleted_at', '>', PutAway::keptSince()),
        };
        if ($asked->search !== '') {
            $found->where('jobs.name', 'like', '%'.addcslashes($asked->search, '%_\\').'%');
        }
        if ($asked->station !== null) {
            $found->where('station', $asked->station);
        }
        if ($asked->project !== null) {
            $found->where('project', $asked->project);
        }
        if ($asked->person !== null) {
            $by = static fn (string $table): Closure => static fn (Builder $work): Builder => $work
                ->selectRaw('1')
                ->from($table)
                ->whereColumn('job_id', 'jobs.id')
                ->where('author_id', $asked->person);
            $found->where(
                static fn (Builder $worked): Builder => $worked
                    ->whereExists($by('revisions'))
                    ->orWhereExists($by('log_entries')),
            );
        }

        return $found;
    }

    /** @return array<value-of<BoardAsked::SHELVES>, int> how many jobs stand on each */
    private static function shelves(?int $crew): array
    {
        $counts = DB::table('jobs')
            ->where('crew_id', $crew)
            ->selectRaw(
                'COUNT(IF(deleted_at IS NULL AND archived_at IS NULL, 1, NULL)) AS open, '.
                    'COUNT(IF(deleted_at IS NULL AND archived_at IS NOT NULL, 1, NULL)) AS archived, '.
                    'COUNT(IF(deleted_at > ?, 1, NULL)) AS deleted',
                [PutAway::keptSince()],
            )
            ->first();
        $of = static fn (mixed $count): int => is_int($count) ? $count : 0;

        return [
            'open' => $of($counts->open ?? 0),
            'archived' => $of($counts->archived ?? 0),
            'deleted' => $of($counts->deleted ?? 0),
        ];
    }

    /** @return list<array{name: string, jobs: int, signed: int}> with how many jobs belong to it, and are signed */
    private static function projects(?int $crew): array
    {
        $rows = DB::table('jobs')
            ->where('crew_id', $crew)
            ->where('project', '!=', '')
            ->whereNull('deleted_at')
            ->groupBy('project')
            ->orderBy('project')
            ->selectRaw("project AS name, COUNT(*) AS jobs, COUNT(IF(station = 'done', 1, NULL)) AS signed")
            ->get();
        $of = static fn (stdClass $row): array => [
            'name' => is_string($row->name) ? $row->name : '',
            'jobs' => is_int($row->jobs) ? $row->jobs : 0,
            'signed' => is_int($row->signed) ? $row->signed : 0,
        ];

        return array_values(array_map($of, $rows->all()));
    }

    /** @return list<array{id: int, name: string}> the members of a crew, by name */
    private static function people(?int $crew): array
    {
        $people = User::query()
            ->whereIn(
                'id',
                static fn (Builder $members): Builder => $members
                    ->select('user_id')
                    ->from('crew_user')
                    ->where('crew_id', $crew),
            )
            ->orderBy('name')
            ->orderBy('id')
            ->get(['id', 'name']);

        return array_values(
            array_map(static fn (User $user): array => ['id' => $user->id, 'name' => $user->name], $people->all()),
        );
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
                'project' => $job->project,
                'revision' => $job->head,
                'kept_at' => self::at($job)->toIso8601String(),
                'kept_by' => $job->kept_by ?? '',
                'unreadable' => $job->unreadable,
                'deleted_by' => $job->deleted_by,
                'gone_on' => is_string($job->deleted_at) ? PutAway::goneOn($job->deleted_at) : null,
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
