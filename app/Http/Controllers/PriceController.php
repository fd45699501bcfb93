<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Actions\CrewPrices;
use App\Actions\WriteOnce;
use App\Models\Crew;
use App\Models\OwnEntry;
use App\Models\User;
use FallBend\Core\Input\Fields;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use Illuminate\Http\Response;

/** What things cost the crew, whatever the job. */
final readonly class PriceController
{
    public function __construct(private CrewPrices $prices, private WriteOnce $once) {}

    public function index(Request $request): JsonResponse
    {
        return new JsonResponse($this->prices->kept(User::asking($request)->crewId()));
    }

    /** Keeps what is sent beside what is kept of other things. */
    public function update(Request $request): JsonResponse
    {
        $user = User::asking($request);
        $crew = $user->crewId() ?? abort(403, 'You are in no crew yet.');
        $body = Fields::of($request->json()->all());

        return new JsonResponse($this->once->answer($request, function () use ($crew, $user, $body): array {
            $this->prices->keep($crew, $user->id, $body);

            return $this->prices->kept($crew);
        }));
    }

    public function destroy(Request $request, int $entry): Response
    {
        $crew = User::asking($request)->crewId();
        $this->once->answer($request, static function () use ($crew, $entry): array {
            Crew::holdOwnEntries($crew ?? 0);
            OwnEntry::ofCrew($crew, OwnEntry::PRICES)->findOrFail($entry)->delete();

            return [];
        });

        return new Response(status: 204);
    }
}
