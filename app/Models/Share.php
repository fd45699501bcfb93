<?php

declare(strict_types=1);

namespace App\Models;

use App\People\Audit;
use Illuminate\Database\Eloquent\Model;
use Illuminate\Database\Eloquent\Relations\BelongsTo;
use Illuminate\Support\Carbon;
use Illuminate\Support\Facades\DB;

/**
 * A link by which somebody without an account reads the record of a job, until it runs out or is withdrawn.
 *
 * @property int $id
 * @property string $job_id
 * @property int $author_id
 * @property string $for whom it is for
 * @property string $token_hash of what stands in the link
 * @property Carbon $expires_at
 * @property ?Carbon $withdrawn_at
 * @property Carbon $created_at
 * @property-read Job $job
 * @property-read User $author
 *
 * @phpstan-type WrittenShare array{
 *     id: int,
 *     for: string,
 *     by: string,
 *     created_at: string,
 *     expires_at: string,
 *     open: bool,
 * }
 */
final class Share extends Model
{
    use OpensByLink;

    public const UPDATED_AT = null;

    protected $fillable = ['job_id', 'author_id', 'for', 'token_hash', 'expires_at', 'withdrawn_at'];

    /** @return array<string, string> */
    protected function casts(): array
    {
        return ['expires_at' => 'datetime', 'withdrawn_at' => 'datetime'];
    }

    /**
     * Makes one, and notes who did.
     *
     * @param string $for whom it is for
     * @param int $days for so long it opens
     * @return array{self, string} with what stands in its link, which is said this once
     */
    public static function of(Job $job, User $by, string $for, int $days): array
    {
        $token = self::newToken();
        $made = DB::transaction(static function () use ($job, $by, $for, $days, $token): self {
            Audit::ofCrew($job->crew_id, 'shared', $by, ['job' => $job->name, 'person' => $for]);

            return self::query()->create([
                'job_id' => $job->id,
                'author_id' => $by->id,
                'for' => $for,
                'token_hash' => self::hashOf($token),
                'expires_at' => Carbon::now()->addDays($days),
            ]);
        });

        return [$made, $token];
    }

    /** @return BelongsTo<Job, $this> */
    public function job(): BelongsTo
    {
        return $this->belongsTo(Job::class);
    }

    /** @return BelongsTo<User, $this> */
    public function author(): BelongsTo
    {
        return $this->belongsTo(User::class, 'author_id');
    }

    /** Gives the link that opens with what stands in it; 404 where it opens nothing, whatever the reason. */
    public static function opened(string $token): self
    {
        $share = self::ofToken($token)->first();
        $opens = $share !== null && $share->isOpen() && $share->job->deleted_at === null;
        abort_if(! $opens, 404, 'This link opens nothing any more.');

        return $share;
    }

    /** Whether it opens anything now. */
    public function isOpen(): bool
    {
        return $this->withdrawn_at === null && $this->expires_at->isFuture();
    }

    /** @return WrittenShare */
    public function written(): array
    {
        return [
            'id' => $this->id,
            'for' => $this->for,
            'by' => $this->author->name,
            'created_at' => $this->created_at->toIso8601String(),
            'expires_at' => $this->expires_at->toIso8601String(),
            'open' => $this->isOpen(),
        ];
    }
}
