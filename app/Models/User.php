<?php

declare(strict_types=1);

namespace App\Models;

use App\People\Role;
use Closure;
use FallBend\Core\Input\BadInput;
use Illuminate\Database\Eloquent\Collection;
use Illuminate\Database\Eloquent\Relations\BelongsToMany;
use Illuminate\Foundation\Auth\User as Authenticatable;
use Illuminate\Http\Request;
use Illuminate\Support\Carbon;
use Illuminate\Support\Facades\DB;

/**
 * @property int $id
 * @property string $name
 * @property string $email
 * @property string $password
 * @property ?int $current_crew_id the crew that was chosen last; null: none was
 * @property ?string $totp_secret that of a second factor, sealed in the database; null: there is none
 * @property ?Carbon $totp_since null: none is asked for
 * @property ?int $totp_last the step of the last code that was taken
 * @property ?list<string> $recovery_hashes of the codes on paper that are left
 * @property-read Collection<int, Crew> $crews
 */
final class User extends Authenticatable
{
    protected $fillable = ['name', 'email', 'password'];

    protected $attributes = [
        'current_crew_id' => null,
        'remember_token' => null,
        'totp_secret' => null,
        'totp_since' => null,
        'totp_last' => null,
        'recovery_hashes' => null,
    ];

    protected $hidden = ['password', 'remember_token', 'totp_secret', 'recovery_hashes'];

    /** @return BelongsToMany<Crew, $this> */
    public function crews(): BelongsToMany
    {
        return $this->belongsToMany(Crew::class)->withPivot('role');
    }

    /** What this user is in the crew through which they were read. */
    public function roleInCrew(): Role
    {
        return Role::ofMembership($this);
    }

    /** @return array<string, string> */
    protected function casts(): array
    {
        return [
            'password' => 'hashed',
            'totp_secret' => 'encrypted',
            'totp_since' => 'datetime',
            'totp_last' => 'integer',
            'recovery_hashes' => 'array',
        ];
    }

    /** Whoever asks. */
    public static function asking(Request $request): self
    {
        $user = $request->user();

        return $user instanceof self ? $user : throw BadInput::at('', 'Sign in first.');
    }

    /** The crew whose board is shown, and whose numbers and prices go before the lists; null while in none. */
    public function crewId(): ?int
    {
        $crew = $this->crews->find($this->current_crew_id) ?? $this->crews->first();

        return $crew?->id;
    }

    /**
     * Does something with the account as it is now, in a transaction: of two who do it at once, one waits and sees what
     * the other left.
     *
     * @param Closure(self): bool $take
     */
    public function holding(Closure $take): bool
    {
        return DB::transaction(fn (): bool => $take(self::query()->lockForUpdate()->findOrFail($this->id)));
    }
}
