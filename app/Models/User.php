<?php

declare(strict_types=1);

namespace App\Models;

use FallBend\Core\Input\BadInput;
use Illuminate\Database\Eloquent\Collection;
use Illuminate\Database\Eloquent\Relations\BelongsToMany;
use Illuminate\Foundation\Auth\User as Authenticatable;
use Illuminate\Http\Request;

/**
 * @property int $id
 * @property string $name
 * @property string $email
 * @property string $password
 * @property ?int $current_crew_id the crew that was chosen last; null: none was
 * @property-read Collection<int, Crew> $crews
 */
final class User extends Authenticatable
{
    protected $fillable = ['name', 'email', 'password'];

    protected $attributes = ['current_crew_id' => null, 'remember_token' => null];

    protected $hidden = ['password', 'remember_token'];

    /** @return BelongsToMany<Crew, $this> */
    public function crews(): BelongsToMany
    {
        return $this->belongsToMany(Crew::class);
    }

    /** @return array<string, string> */
    protected function casts(): array
    {
        return ['password' => 'hashed'];
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
}
