<?php

declare(strict_types=1);

namespace App\Http\Middleware;

use App\Models\User;
use App\People\Ability;
use App\People\Role;
use Closure;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use Illuminate\Support\Facades\DB;
use Symfony\Component\HttpFoundation\Response;

/**
 * Whether the role of whoever asks lets them do something: in the crew of the job that the address names (`id`), in the
 * crew that it names (`crew`), or else in the one that they work for. A crew that they are not in is not found.
 */
final readonly class May
{
    /** The middleware that lets through whoever may do something. */
    public static function to(Ability $what): string
    {
        return self::class.":{$what->value}";
    }

    /** @param Closure(Request): Response $next */
    public function handle(Request $request, Closure $next, string $what): Response
    {
        $role = self::role($request, User::asking($request));
        $ability = Ability::from($what);
        if ($role->may($ability)) {
            return $next($request);
        }

        return new JsonResponse(
            [
                'message' => "You are {$role->value} in this crew. This takes {$ability->least()->value}, ".
                    'or a higher role: ask an owner of the crew.',
                'code' => 'role',
            ],
            403,
        );
    }

    private static function role(Request $request, User $user): Role
    {
        [$job, $crew] = [$request->route('id'), $request->route('crew')];
        $members = DB::table('crew_user')->where('crew_user.user_id', $user->id);
        if (is_string($job)) {
            $members->join('jobs', 'jobs.crew_id', '=', 'crew_user.crew_id')->where('jobs.id', $job);
        } else {
            $of = is_string($crew) ? (int) $crew : $user->crewId();
            abort_if($of === null, 403, 'You are in no crew yet.');
            $members->where('crew_user.crew_id', $of);
        }
        $role = $members->value('role');

        return is_string($role) ? Role::from($role) : abort(404);
    }
}
