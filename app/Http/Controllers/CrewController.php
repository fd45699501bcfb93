<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Models\Crew;
use App\Models\Invitation;
use App\Models\User;
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
 *     people: list<array{id: int, name: string, email: string}>,
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
            $crew = Crew::query()->create(['name' => $name]);
            $user->crews()->attach($crew);
            $user->forceFill(['current_crew_id' => $crew->id])->save();
        });
        $user->unsetRelation('crews');

        return new JsonResponse(SessionController::account($user), 201);
    }

    public function show(Request $request, int $crew): JsonResponse
    {
        $found = self::asked($request, $crew);

        return new JsonResponse([
            'id' => $found->id,
            'name' => $found->name,
            'people' => array_values(
                $found
                    ->members()
                    ->orderBy('name')
                    ->get()
                    ->map(static fn (User $user): array => $user->only(['id', 'name', 'email']))
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
        self::asked($request, $crew)->update(['name' => $name]);

        return new JsonResponse(SessionController::account(User::asking($request)->load('crews')));
    }

    /** Works for a crew from now on. */
    public function choose(Request $request, int $crew): JsonResponse
    {
        $user = User::asking($request);
        $user->forceFill(['current_crew_id' => self::asked($request, $crew)->id])->save();

        return new JsonResponse(SessionController::account($user));
    }

    /** A new invitation. What stands in its link is said this once. */
    public function invite(Request $request, int $crew): JsonResponse
    {
        $body = Fields::of($request->json()->all());
        $for = trim($body->string('for', 80));
        $body->end();
        if ($for === '') {
            throw BadInput::at('for', 'say whom it is for', $for);
        }
        $id = self::asked($request, $crew)->id;
        $open = Invitation::query()
            ->where('crew_id', $id)
            ->whereNull(['withdrawn_at', 'accepted_at'])
            ->where('expires_at', '>', Carbon::now())
            ->count();
        if ($open >= self::MOST_OPEN) {
            throw BadInput::at('for', 'withdraw an invitation first: '.self::MOST_OPEN.' are open', $for);
        }
        $token = Invitation::newToken();
        $invitation = Invitation::query()->create([
            'crew_id' => $id,
            'author_id' => User::asking($request)->id,
            'for' => $for,
            'token_hash' => Invitation::hashOf($token),
            'expires_at' => Carbon::now()->addDays(Invitation::DAYS),
        ]);

        return new JsonResponse(
            ['invitation' => $invitation->written(), 'link' => $request->root()."/invited/{$token}"],
            201,
        );
    }

    public function withdraw(Request $request, int $crew, int $invitation): JsonResponse
    {
        Invitation::query()
            ->where('crew_id', self::asked($request, $crew)->id)
            ->findOrFail($invitation)
            ->update(['withdrawn_at' => Carbon::now()]);

        return new JsonResponse(null, 204);
    }

    private static function asked(Request $request, int $crew): Crew
    {
        return User::asking($request)->crews()->findOrFail($crew);
    }

    private static function named(Request $request): string
    {
        $body = Fields::of($request->json()->all());
        $name = trim($body->string('name', 80));
        $body->end();

        return $name === '' ? throw BadInput::at('name', 'say what the crew is called', $name) : $name;
    }
}
