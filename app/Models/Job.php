<?php

declare(strict_types=1);

namespace App\Models;

use Illuminate\Database\Eloquent\Builder;
use Illuminate\Database\Eloquent\Concerns\HasUlids;
use Illuminate\Database\Eloquent\Model;
use Illuminate\Database\Eloquent\ModelNotFoundException;
use Illuminate\Database\Eloquent\Relations\BelongsTo;
use Illuminate\Database\Eloquent\Relations\HasMany;
use Illuminate\Database\Query\Builder as Query;
use Illuminate\Http\Request;
use Illuminate\Support\Carbon;
use Illuminate\Support\Facades\DB;

/**
 * A job of a crew. Its document is that of the revision that `head` names.
 *
 * @property string $id
 * @property int $crew_id
 * @property string $name
 * @property string $project what it belongs to; empty: to nothing
 * @property int $head
 * @property Carbon $updated_at
 * @property ?array<string, mixed> $summary what the board shows of it, as it was when it was kept
 * @property int $summary_version 0 where none was made yet
 * @property ?string $unreadable why its newest revision cannot be read; null where it can, as far as anybody tried
 * @property ?int $kept_by_id
 * @property int $log_length how many entries its log has
 * @property string $log_hash that of the last of them; empty where there is none
 * @property string $station that has the next thing to do, as the summary says
 * @property ?Carbon $archived_at
 * @property ?Carbon $deleted_at
 * @property ?int $deleted_by_id
 * @property-read Crew $crew
 * @property-read ?User $keptBy
 * @property-read ?User $deletedBy
 */
final class Job extends Model
{
    use HasUlids;

    protected $fillable = [
        'crew_id',
        'name',
        'project',
        'head',
        'summary',
        'summary_version',
        'station',
        'unreadable',
        'kept_by_id',
        'archived_at',
        'deleted_at',
        'deleted_by_id',
    ];

    protected $attributes = ['summary' => null, 'summary_version' => 0, 'unreadable' => null, 'kept_by_id' => null];

    /** What is read of a job beside its newest revision. */
    private const BESIDE_NEWEST = [
        'crew_id',
        'name',
        'head',
        'summary_version',
        'unreadable',
        'kept_by_id',
        'updated_at',
        'deleted_at',
        'deleted_by_id',
    ];

    /** Its newest revision, where it was read with the job. */
    private ?Revision $newest = null;

    /** @return Builder<Job> the jobs of the crews that a user is in, those that are deleted too */
    public static function ofUser(int $id): Builder
    {
        return self::query()->whereIn(
            'crew_id',
            static fn (Query $crews): Query => $crews->select('crew_id')->from('crew_user')->where('user_id', $id),
        );
    }

    /**
     * Gives a job of the crews that whoever asks is in.
     *
     * @throws ModelNotFoundException<self> if there is none
     * @throws DeletedJob if it was deleted
     */
    public static function asked(Request $request, string $id): self
    {
        $job = self::ofUser(User::asking($request)->id)->findOrFail($id);

        return $job->deleted_at === null ? $job : throw new DeletedJob($job);
    }

    /**
     * Gives a job of the crews that a user is in, with its newest revision, in one query.
     *
     * @throws ModelNotFoundException<self> if there is none
     * @throws DeletedJob if it was deleted
     */
    public static function withNewest(int $user, string $id): self
    {
        $row =
            DB::selectOne(
                <<<'SQL'
                SELECT revisions.*, bases.packed AS base_packed, bases.document AS base_document,
                    jobs.crew_id, jobs.name, jobs.head, jobs.summary_version, jobs.unreadable, jobs.kept_by_id,
                    jobs.created_at AS job_created_at, jobs.updated_at, jobs.deleted_at, jobs.deleted_by_id
                FROM jobs JOIN crew_user ON crew_user.crew_id = jobs.crew_id
                JOIN revisions ON revisions.job_id = jobs.id AND revisions.number = jobs.head
                LEFT JOIN revisions AS bases ON bases.job_id = revisions.job_id AND bases.number = revisions.base
                WHERE jobs.id = ? AND crew_user.user_id = ?
                SQL
                ,
                [$id, $user],
            ) ?? throw (new ModelNotFoundException)->setModel(self::class, [$id]);
        /** @var array<string, mixed> $columns */
        $columns = (array) $row;
        $own = ['id' => $columns['job_id'], 'created_at' => $columns['job_created_at']];
        unset($columns['job_created_at']);
        foreach (self::BESIDE_NEWEST as $column) {
            $own[$column] = $columns[$column];
            unset($columns[$column]);
        }
        $job = (new self)->newFromBuilder($own);
        $job->newest = Revision::ofRow($columns);

        return $job->deleted_at === null ? $job : throw new DeletedJob($job);
    }

    /** @return BelongsTo<Crew, $this> */
    public function crew(): BelongsTo
    {
        return $this->belongsTo(Crew::class);
    }

    /** @return BelongsTo<User, $this> */
    public function keptBy(): BelongsTo
    {
        return $this->belongsTo(User::class, 'kept_by_id');
    }

    /** @return BelongsTo<User, $this> */
    public function deletedBy(): BelongsTo
    {
        return $this->belongsTo(User::class, 'deleted_by_id');
    }

    /** @return HasMany<Revision, $this> */
    public function revisions(): HasMany
    {
        return $this->hasMany(Revision::class);
    }

    public function revision(int $number): Revision
    {
        return Revision::numbered($this->id, $number)->load('author');
    }

    public function headRevision(): Revision
    {
        return $this->revision($this->head);
    }

    /** The newest revision, without who made it. */
    public function newest(): Revision
    {
        return $this->newest ?? Revision::numbered($this->id, $this->head);
    }

    /**
     * Moves the job on from the revision at which it stands here.
     *
     * @param array<string, mixed> $columns with `head`, the number of the next revision
     * @return bool false where somebody else has moved it on
     */
    public function moveOn(array $columns): bool
    {
        $from = $this->head;
        $this->fill($columns)->updateTimestamps();
        // The condition makes edits of one job wait for each other, on every server.
        $moved = self::query()
            ->toBase()
            ->where(['id' => $this->id, 'head' => $from])
            ->update($this->getDirty());
        $this->syncOriginal();

        return $moved === 1;
    }

    /**
     * Notes something about the job that is no change of it: when it was kept last stays.
     *
     * @param array<string, mixed> $columns
     */
    public function note(array $columns): void
    {
        $this->timestamps = false;
        $this->update($columns);
        $this->timestamps = true;
    }

    /** @return array<string, string> */
    protected function casts(): array
    {
        return ['summary' => 'array', 'archived_at' => 'datetime', 'deleted_at' => 'datetime'];
    }
}
