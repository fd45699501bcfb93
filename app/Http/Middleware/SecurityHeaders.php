<?php

declare(strict_types=1);

namespace App\Http\Middleware;

use Closure;
use Illuminate\Http\Request;
use Symfony\Component\HttpFoundation\Response;

/** Everything is served from here and nothing is embedded elsewhere. */
final class SecurityHeaders
{
    private const POLICY = [
        "default-src 'self'",
        "img-src 'self' data: blob:",
        "object-src 'none'",
        "frame-ancestors 'none'",
        "base-uri 'self'",
        "form-action 'self'",
    ];

    /** A browser that came over a safe line comes over no other for two years. */
    private const ONLY_SAFE = 'max-age=63072000';

    /** @param Closure(Request): Response $next */
    public function handle(Request $request, Closure $next): Response
    {
        $response = $next($request);
        if (! $response->headers->has('Content-Security-Policy')) {
            $response->headers->set('Content-Security-Policy', implode('; ', self::POLICY));
        }
        $response->headers->set('X-Content-Type-Options', 'nosniff');
        $response->headers->set('Referrer-Policy', 'same-origin');
        $response->headers->set('Cross-Origin-Opener-Policy', 'same-origin');
        $response->headers->set('Cross-Origin-Resource-Policy', 'same-origin');
        if ($request->secure()) {
            $response->headers->set('Strict-Transport-Security', self::ONLY_SAFE);
        }

        return $response;
    }
}
