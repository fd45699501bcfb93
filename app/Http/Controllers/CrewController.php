<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Models\Crew;
use App\Models\Invitation;
use App\Models\User;
use App\People\Audit;
use App\People\LetIn;
use App\People\Role;
use FallBend\Core\Input\BadInput;
use FallBend\Core\Input\Fields;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use Illuminate\Support\Carbon;
use Illuminate\Support\Facades\DB;

/**
 * The crews that a user is in: which one is worked for, who is in it, whom somebody invites. Another crew is not found.
 *
 * @phpstan-import-type WrittenInvitation from Invitation
 *
 * @phpstan-type CrewPeople array{
 *     id: int,
 *     name: string,
 *     people: list<array{id: int, name: string, email: string, role: string}>,
 *     invitations: list<WrittenInvitation>,
 * }
 */
final class CrewController
{
    /** So many invitations may be open of one crew. */
    private const MOST_OPEN = 50;

    /** Somebody may be in so many. */
    private const MOST_CREWS = 50;

    /** Starts another crew, and works for it from now on. */
    public function store(Request $request): JsonResponse
    {
        $name = self::named($request);
        $user = User::asking($request);
        if ($user->crews->count() >= self::MOST_CREWS) {
            throw BadInput::at('name', 'you are in '.self::MOST_CREWS.' crews already', $name);
        }
        DB::transaction(static function () use ($user, $name): void {
            LetIn::startCrew($user, $name);
        });

        return new JsonResponse(SessionController::account($user), 201);
    }

    public function show(Request $request, int $crew): JsonResponse
    {
        $found = Crew::asked($request, $crew);

        return new JsonResponse([
            'id' => $found->id,
            'name' => $found->name,
            'people' => array_values(
                $found
                    ->members()
                    ->orderBy('name')
                    ->get()
                    ->map(self::person(...))
                    ->all(),
            ),
            'invitations' => array_values(
                Invitation::query()
                    ->with(['author', 'acceptedBy'])
                    ->where('crew_id', $found->id)
                    ->orderByDesc('id')
                    ->limit(100)
                    ->get()
                    ->map(static fn (Invitation $invitation): array => $invitation->written())
                    ->all(),
            ),
        ]);
    }

    public function update(Request $request, int $crew): JsonResponse
    {
        $name = self::named($request);
        $user = User::asking($request);
        $of = Crew::asked($request, $crew);
        DB::transaction(static function () use ($of, $user, $name): void {
            Audit::ofCrew($of->id, 'crew-named', $user, ['from' => $of->name, 'to' => $name]);
            $of->update(['name' => $name]);
        });

        return new JsonResponse(SessionController::account($user->load('crews')));
    }

    /** Works for a crew from now on. */
    public function choose(Request $request, int $crew): JsonResponse
    {
        $user = User::asking($request);
        $user->forceFill(['current_crew_id' => Crew::asked($request, $crew)->id])->save();

        return new JsonResponse(SessionController::account($user));
    }

    /** A new invitation. What stands in its link is said this once. */
    public function invite(Request $request, int $crew): JsonResponse
    {
        $body = Fields::of($request->json()->all());
        $for = trim($body->string('for', 80));
        $role = $body->has('role') ? Role::tryFrom($body->string('role', 12)) : Role::Plumber;
        $body->end();
        if ($for === '') {
            throw BadInput::at('for', 'say whom it is for', $for);
        }
        $of = Crew::asked($request, $crew);
        if ($role === null || ! $of->roleOfMember()->covers($role)) {
            throw BadInput::at('role', 'must be a role up to your own');
        }
        self::refuseTooMany($of, $for);
        [$invitation, $token] = Invitation::into($of, User::asking($request), $for, $role);

        return new JsonResponse(
            ['invitation' => $invitation->written(), 'link' => $request->root()."/invited/{$token}"],
            201,
        );
    }

    public function withdraw(Request $request, int $crew, int $invitation): JsonResponse
    {
        $of = Crew::asked($request, $crew);
        $found = Invitation::query()->where('crew_id', $of->id)->findOrFail($invitation);
        DB::transaction(static function () use ($of, $request, $found): void {
            $found->update(['withdrawn_at' => Carbon::now()]);
            Audit::ofCrew($of->id, 'invitation-withdrawn', User::asking($request), ['person' => $found->for]);
        });

        return new JsonResponse(null, 204);
    }

    /** @throws BadInput */
    private static function refuseTooMany(Crew $crew, string $for): void
    {
        $open = Invitation::query()
            ->where('crew_id', $crew->id)
            ->whereNull(['withdrawn_at', 'accepted_at'])
            ->where('expires_at', '>', Carbon::now())
            ->count();
        if ($open >= self::MOST_OPEN) {
            throw BadInput::at('for', 'withdraw an invitation first: '.self::MOST_OPEN.' are open', $for);
        }
    }

    /** @return array{id: int, name: string, email: string, role: string} */
    private static function person(User $user): array
    {
        return [
            'id' => $user->id,
            'name' => $user->name,
            'email' => $user->email,
            'role' => $user->roleInCrew()->value,
        ];
    }

    private static function named(Request $request): string
    {
        $body = Fields::of($request->json()->all());
        $name = trim($body->string('name', 80));
        $body->end();

        return $name === '' ? throw BadInput::at('name', 'say what the crew is called', $name) : $name;
    }
}
