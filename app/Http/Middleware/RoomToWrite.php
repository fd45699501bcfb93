<?php

declare(strict_types=1);

namespace App\Http\Middleware;

use App\Operations\Room;
use Closure;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use Symfony\Component\HttpFoundation\Response;

/**
 * While the disk of the server is full nothing is written, and whoever writes is told: what they said stays with them,
 * and is sent again. What is only asked is answered.
 */
final class RoomToWrite
{
    private const AGAIN_SECONDS = 30;

    /** @param Closure(Request): Response $next */
    public function handle(Request $request, Closure $next): Response
    {
        if ($request->isMethodSafe() || Room::isThere()) {
            return $next($request);
        }

        return new JsonResponse(
            [
                'message' => 'The disk of the server is full: this is not kept yet. It is tried again by itself.',
                'code' => 'no-room',
            ],
            503,
            ['Retry-After' => (string) self::AGAIN_SECONDS],
        );
    }
}
