<?php

declare(strict_types=1);

namespace App\Models;

use App\People\Audit;
use App\People\Role;
use Illuminate\Database\Eloquent\Model;
use Illuminate\Database\Eloquent\Relations\BelongsTo;
use Illuminate\Support\Carbon;
use Illuminate\Support\Facades\DB;

/**
 * A link by which one person joins a crew, once. What stands in the link is not kept, only its hash.
 *
 * @property int $id
 * @property int $crew_id
 * @property int $author_id
 * @property string $for whom it is for, in words
 * @property Role $role what they are to be in the crew
 * @property string $token_hash
 * @property Carbon $expires_at
 * @property ?Carbon $withdrawn_at
 * @property ?Carbon $accepted_at
 * @property ?int $accepted_by_id
 * @property-read Crew $crew
 * @property-read User $author
 * @property-read ?User $acceptedBy
 *
 * @phpstan-type WrittenInvitation array{
 *     id: int,
 *     for: string,
 *     by: string,
 *     role: string,
 *     expires_at: string,
 *     state: 'open'|'accepted'|'withdrawn'|'expired',
 *     accepted_by: ?string,
 * }
 */
final class Invitation extends Model
{
    use OpensByLink;

    public const UPDATED_AT = null;

    public const DAYS = 7;

    protected $fillable = [
        'crew_id',
        'author_id',
        'for',
        'role',
        'token_hash',
        'expires_at',
        'withdrawn_at',
        'accepted_at',
        'accepted_by_id',
    ];

    protected $attributes = ['withdrawn_at' => null, 'accepted_at' => null, 'accepted_by_id' => null];

    /** @return array<string, string> */
    protected function casts(): array
    {
        return [
            'role' => Role::class,
            'expires_at' => 'datetime',
            'withdrawn_at' => 'datetime',
            'accepted_at' => 'datetime',
        ];
    }

    /**
     * Makes one, and notes who did.
     *
     * @return array{self, string} with what stands in its link, which is said this once
     */
    public static function into(Crew $crew, User $by, string $for, Role $role): array
    {
        $token = self::newToken();
        $made = DB::transaction(static function () use ($crew, $by, $for, $role, $token): self {
            Audit::ofCrew($crew->id, 'invited', $by, ['person' => $for, 'role' => $role->value]);

            return self::query()->create([
                'crew_id' => $crew->id,
                'author_id' => $by->id,
                'for' => $for,
                'role' => $role,
                'token_hash' => self::hashOf($token),
                'expires_at' => Carbon::now()->addDays(self::DAYS),
            ]);
        });

        return [$made, $token];
    }

    /** @return BelongsTo<Crew, $this> */
    public function crew(): BelongsTo
    {
        return $this->belongsTo(Crew::class);
    }

    /** @return BelongsTo<User, $this> */
    public function author(): BelongsTo
    {
        return $this->belongsTo(User::class, 'author_id');
    }

    /** @return BelongsTo<User, $this> */
    public function acceptedBy(): BelongsTo
    {
        return $this->belongsTo(User::class, 'accepted_by_id');
    }

    /**
     * Gives the invitation that opens with what stands in its link; 404 where it opens nothing, whatever the reason.
     *
     * @param bool $toAccept whether it is held until the end of the transaction: of two who accept one waits
     */
    public static function opened(string $token, bool $toAccept = false): self
    {
        $query = self::ofToken($token);
        $invitation = ($toAccept ? $query->lockForUpdate() : $query)->first();
        abort_if(
            $invitation === null || $invitation->state() !== 'open',
            404,
            'This invitation opens nothing any more. Ask for a new one.',
        );

        return $invitation;
    }

    /** @return 'open'|'accepted'|'withdrawn'|'expired' */
    public function state(): string
    {
        return match (true) {
            $this->accepted_at !== null => 'accepted',
            $this->withdrawn_at !== null => 'withdrawn',
            $this->expires_at->isPast() => 'expired',
            default => 'open',
        };
    }

    /** @return WrittenInvitation */
    public function written(): array
    {
        return [
            'id' => $this->id,
            'for' => $this->for,
            'by' => $this->author->name,
            'role' => $this->role->value,
            'expires_at' => $this->expires_at->toIso8601String(),
            'state' => $this->state(),
            'accepted_by' => $this->acceptedBy?->name,
        ];
    }
}
