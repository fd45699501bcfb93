<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Models\AuditEntry;
use App\Models\Crew;
use App\Models\User;
use App\People\Audit;
use App\People\Membership;
use App\People\Role;
use FallBend\Core\Input\BadInput;
use FallBend\Core\Input\Fields;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;

/**
 * What the people of a crew are in it, who goes, and what was done.
 *
 * @phpstan-import-type WrittenAudit from AuditEntry
 *
 * @phpstan-type AuditPage array{entries: list<WrittenAudit>}
 */
final class MembershipController
{
    /** Gives somebody a role. */
    public function give(Request $request, int $crew, int $person): JsonResponse
    {
        $body = Fields::of($request->json()->all());
        $role = Role::tryFrom($body->string('role', 12)) ??
            throw BadInput::at('role', 'must be owner, lead, plumber, apprentice or reader');
        $body->end();
        [$of, $who] = self::asked($request, $crew, $person);
        Membership::give($of, User::asking($request), $who, $role);

        return new JsonResponse(null, 204);
    }

    /** Takes somebody out of the crew: at once nothing of it opens for them any more. */
    public function takeOut(Request $request, int $crew, int $person): JsonResponse
    {
        [$of, $who] = self::asked($request, $crew, $person);
        Membership::end($of, User::asking($request), $who);

        return new JsonResponse(null, 204);
    }

    /** Leaves a crew. */
    public function leave(Request $request, int $crew): JsonResponse
    {
        $user = User::asking($request);
        Membership::end(Crew::asked($request, $crew), $user, $user);

        return new JsonResponse(SessionController::account($user));
    }

    /** What was done in the crew, the newest first. */
    public function audit(Request $request, int $crew): JsonResponse
    {
        $of = Crew::asked($request, $crew);

        return new JsonResponse(['entries' => Audit::readOfCrew($of, self::before($request))]);
    }

    /** The entry before which a page of what was done is asked for; null: the newest. */
    public static function before(Request $request): ?int
    {
        $before = $request->query('before');
        if ($before === null) {
            return null;
        }

        return is_string($before) && preg_match('/^[0-9]{1,15}\z/', $before) === 1
            ? (int) $before
            : throw BadInput::at('before', 'must be a whole number');
    }

    /** @return array{Crew, User} */
    private static function asked(Request $request, int $crew, int $person): array
    {
        $of = Crew::asked($request, $crew);

        return [$of, $of->members()->findOrFail($person)];
    }
}
