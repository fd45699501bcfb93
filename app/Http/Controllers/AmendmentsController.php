<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Actions\CrewAmendments;
use App\Actions\WriteOnce;
use App\Models\Crew;
use App\Models\OwnEntry;
use App\Models\User;
use FallBend\Core\Input\Fields;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use Illuminate\Http\Response;

/** What towns and inspectors have otherwise than the books, as the crew keeps it. */
final readonly class AmendmentsController
{
    public function __construct(private CrewAmendments $amendments, private WriteOnce $once) {}

    public function index(Request $request): JsonResponse
    {
        return $this->answer(User::asking($request)->crewId());
    }

    /** Keeps what is sent in place of what the crew has under the same name. */
    public function store(Request $request): JsonResponse
    {
        $user = User::asking($request);
        $crew = $user->crewId() ?? abort(403, 'You are in no crew yet.');
        $body = Fields::of($request->json()->all());
        $this->once->answer($request, function () use ($crew, $user, $body): array {
            $this->amendments->keep($crew, $user->id, $body);

            return [];
        });

        return $this->answer($crew);
    }

    public function destroy(Request $request, int $entry): Response
    {
        $crew = User::asking($request)->crewId();
        $this->once->answer($request, static function () use ($crew, $entry): array {
            Crew::holdOwnEntries($crew ?? 0);
            OwnEntry::ofCrew($crew, [OwnEntry::AMENDMENTS])->findOrFail($entry)->delete();

            return [];
        });

        return new Response(status: 204);
    }

    private function answer(?int $crew): JsonResponse
    {
        return new JsonResponse(['amendments' => $this->amendments->kept($crew)]);
    }
}
