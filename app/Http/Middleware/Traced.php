<?php

declare(strict_types=1);

namespace App\Http\Middleware;

use App\Http\RequestId;
use App\Operations\Metrics;
use Closure;
use Illuminate\Http\Request;
use Illuminate\Support\Facades\Log;
use Symfony\Component\HttpFoundation\Response;

/**
 * Gives each request a name, which the answer carries, and notes how it went: which route, with what status, in what
 * time, with how much memory. Nothing of who asked, of what was sent, or of what an address says beside the route.
 */
final class Traced
{
    /** @param Closure(Request): Response $next */
    public function handle(Request $request, Closure $next): Response
    {
        $id = RequestId::begin($request->headers->get(RequestId::HEADER));
        $response = $next($request);
        $response->headers->set(RequestId::HEADER, $id);

        return $response;
    }

    public function terminate(Request $request, Response $response): void
    {
        $route = "{$request->method()} ".($request->route()?->uri() ?? 'unknown');
        $began = $request->server('REQUEST_TIME_FLOAT');
        $seconds = microtime(true) - (is_float($began) ? $began : microtime(true));
        Metrics::noteRequest($route, $response->getStatusCode(), $seconds);
        Log::channel('requests')->info('request', [
            'route' => $route,
            'status' => $response->getStatusCode(),
            'ms' => round(1000 * $seconds, 1),
            'mb' => round(memory_get_peak_usage(true) / 1_048_576),
        ]);
    }
}
