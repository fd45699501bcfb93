<?php

declare(strict_types=1);

namespace App\People;

use App\Models\Crew;
use App\Models\Invitation;
use App\Models\User;
use FallBend\Core\Input\BadInput;
use Illuminate\Support\Carbon;
use Illuminate\Support\Facades\Cache;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\Hash;
use Illuminate\Support\Str;

/** How people come in: the first one of an installation, and those whom somebody invites. */
final readonly class LetIn
{
    /** Whether nobody has an account yet: whoever comes first makes the first one. */
    public function isEmpty(): bool
    {
        return User::query()->doesntExist();
    }

    /**
     * Makes the first account with its crew; 409 where somebody has one already.
     *
     * @param array{name: string, email: string, password: string} $person
     */
    public function first(array $person, string $crew): User
    {
        $make = fn (): User => DB::transaction(function () use ($person, $crew): User {
            abort_unless($this->isEmpty(), 409, 'Somebody has an account here already. Ask them to invite you.');

            return $this->withCrew($person, $crew);
        });
        // Of two who come at once one waits, and is too late.
        $user = Cache::lock('the first account', 30)->block(10, $make);

        return $user instanceof User ? $user : abort(409);
    }

    /**
     * Takes an invitation for somebody who has an account, or makes them one.
     *
     * @param User|array{name: string, email: string, password: string} $who
     *
     * @throws BadInput if the address has an account already
     */
    public function accept(string $token, User|array $who): User
    {
        return DB::transaction(static function () use ($token, $who): User {
            $invitation = Invitation::opened($token, true);
            $user = $who instanceof User ? $who : self::account($who);
            if ($user->crews->doesntContain($invitation->crew_id)) {
                $user->crews()->attach($invitation->crew_id, ['role' => $invitation->role->value]);
            }
            $user->unsetRelation('crews');
            $user->forceFill(['current_crew_id' => $invitation->crew_id])->save();
            Audit::ofCrew($invitation->crew_id, 'joined', $user, ['role' => $invitation->role->value]);
            $invitation->update(['accepted_at' => Carbon::now(), 'accepted_by_id' => $user->id]);

            return $user;
        });
    }

    /**
     * Makes an account with a crew of its own.
     *
     * @param array{name: string, email: string, password: string} $person
     *
     * @throws BadInput if the address has an account already
     */
    public function withCrew(array $person, string $crew): User
    {
        return DB::transaction(static function () use ($person, $crew): User {
            $user = self::account($person);
            self::startCrew($user, $crew);

            return $user;
        });
    }

    /** Starts a crew that somebody owns, and works for from now on. */
    public static function startCrew(User $user, string $name): void
    {
        $crew = Crew::query()->create(['name' => $name]);
        $user->crews()->attach($crew, ['role' => Role::Owner->value]);
        $user->forceFill(['current_crew_id' => $crew->id])->save();
        $user->unsetRelation('crews');
        Audit::ofCrew($crew->id, 'crew-started', $user, ['crew' => $name]);
    }

    /**
     * @param array{name: string, email: string, password: string} $person
     *
     * @throws BadInput
     */
    private static function account(array $person): User
    {
        $email = Str::lower($person['email']);
        if (User::query()->where('email', $email)->exists()) {
            throw BadInput::at('email', 'has an account already: sign in with it, and open the link again', $email);
        }

        return User::query()->create([
            'name' => trim($person['name']),
            'email' => $email,
            'password' => Hash::make($person['password']),
        ]);
    }
}
