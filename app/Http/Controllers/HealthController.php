<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Operations\Metrics;
use App\Operations\Readiness;
use App\Operations\StatusReport;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use Illuminate\Http\Response;

/** What a load balancer and a monitoring ask of this node; nothing is said of what is in it. */
final class HealthController
{
    private const NEVER_KEPT = ['Cache-Control' => 'no-store'];

    /** Whether it answers at all. */
    public function live(): Response
    {
        return new Response('ok', 200, ['Content-Type' => 'text/plain'] + self::NEVER_KEPT);
    }

    /** Whether requests may be sent to it. */
    public function ready(): JsonResponse
    {
        $found = Readiness::now();

        return new JsonResponse($found, $found['ready'] ? 200 : 503, self::NEVER_KEPT);
    }

    /** What it counted, for whoever has the word that was set for it. */
    public function metrics(Request $request): Response
    {
        $word = config('operations.metrics_token');
        $isKnown = is_string($word) && $word !== '' && hash_equals($word, (string) $request->bearerToken());
        abort_unless($isKnown, 404);

        return new Response(
            Metrics::text(StatusReport::gauges()),
            200,
            ['Content-Type' => Metrics::CONTENT_TYPE] + self::NEVER_KEPT,
        );
    }
}
