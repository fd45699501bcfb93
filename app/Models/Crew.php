<?php

declare(strict_types=1);

namespace App\Models;

use App\People\Role;
use Illuminate\Database\Eloquent\Model;
use Illuminate\Database\Eloquent\ModelNotFoundException;
use Illuminate\Database\Eloquent\Relations\BelongsToMany;
use Illuminate\Database\Eloquent\Relations\HasMany;
use Illuminate\Http\Request;

/**
 * @property int $id
 * @property string $name
 */
final class Crew extends Model
{
    protected $fillable = ['name'];

    /**
     * Whoever changes what a crew set for itself waits here, to the end of the transaction, for others who do: each
     * sees what
     * the one before left.
     */
    public static function holdOwnEntries(int $id): void
    {
        self::query()->whereKey($id)->lockForUpdate()->first();
    }

    /**
     * Gives a crew that whoever asks is in.
     *
     * @throws ModelNotFoundException<self> if they are in none of that number
     */
    public static function asked(Request $request, int $id): self
    {
        return User::asking($request)->crews()->findOrFail($id);
    }

    /** What the member through whom this crew was read is in it. */
    public function roleOfMember(): Role
    {
        return Role::ofMembership($this);
    }

    /** @return BelongsToMany<User, $this> */
    public function members(): BelongsToMany
    {
        return $this->belongsToMany(User::class)->withPivot('role');
    }

    /** @return HasMany<Job, $this> */
    public function jobs(): HasMany
    {
        return $this->hasMany(Job::class);
    }
}
