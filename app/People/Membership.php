<?php

declare(strict_types=1);

namespace App\People;

use App\Models\Crew;
use App\Models\Invitation;
use App\Models\User;
use Closure;
use FallBend\Core\Input\BadInput;
use Illuminate\Support\Carbon;
use Illuminate\Support\Facades\DB;

/** Who is in a crew, as what. A crew always has an owner. */
final class Membership
{
    /**
     * Gives somebody another role.
     *
     * @throws BadInput if the crew would be without an owner
     */
    public static function give(Crew $crew, User $by, User $person, Role $role): void
    {
        self::keepingAnOwner($crew, 'role', static function () use ($crew, $by, $person, $role): void {
            $crew->members()->updateExistingPivot($person->id, ['role' => $role->value]);
            Audit::ofCrew($crew->id, 'role', $by, ['person' => $person->name, 'role' => $role->value]);
        });
    }

    /**
     * Takes somebody out of a crew, or lets them leave it. What they said and kept stays, under their name; the
     * invitations that they sent and nobody took open nothing any more.
     *
     * @throws BadInput if the crew would be without an owner
     */
    public static function end(Crew $crew, User $by, User $person): void
    {
        self::keepingAnOwner($crew, 'person', static function () use ($crew, $by, $person): void {
            $crew->members()->detach($person->id);
            Invitation::query()
                ->where(['crew_id' => $crew->id, 'author_id' => $person->id])
                ->whereNull(['withdrawn_at', 'accepted_at'])
                ->update(['withdrawn_at' => Carbon::now()]);
            Audit::ofCrew(
                $crew->id,
                $by->id === $person->id ? 'left' : 'taken-out',
                $by,
                ['person' => $person->name],
            );
        });
        $person->unsetRelation('crews');
    }

    /** @param Closure(): void $change of two who change who is in a crew, one waits for the other */
    private static function keepingAnOwner(Crew $crew, string $field, Closure $change): void
    {
        DB::transaction(static function () use ($crew, $field, $change): void {
            Crew::query()->whereKey($crew->id)->lockForUpdate()->first();
            $change();
            if ($crew->members()->wherePivot('role', Role::Owner->value)->doesntExist()) {
                throw BadInput::at($field, 'is the only owner of this crew: make somebody else an owner first');
            }
        });
    }
}
