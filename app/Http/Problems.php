<?php

declare(strict_types=1);

namespace App\Http;

use App\Actions\StaleEdit;
use App\Http\Controllers\JobAnswer;
use FallBend\Core\Input\BadInput;
use Illuminate\Foundation\Configuration\Exceptions;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;

/** Turns what the core and the actions throw into JSON answers, in one place. */
final class Problems
{
    public static function register(Exceptions $exceptions): void
    {
        $exceptions->shouldRenderJsonWhen(static fn (Request $request): bool => $request->is('api/*') || $request->expectsJson());
        $exceptions->dontReport([BadInput::class, StaleEdit::class]);
        $exceptions->render(static fn (BadInput $bad, Request $request): JsonResponse => $request->is('api/reckon/*')
            ? new JsonResponse($bad->toArray(), 422)
            : new JsonResponse(['message' => self::sentence($bad), 'code' => 'bad-input', 'errors' => [$bad->field === '' ? 'file' : $bad->field => [$bad->getMessage()]]], 422));
        $exceptions->render(static fn (StaleEdit $stale): JsonResponse => new JsonResponse([
            'message' => $stale->getMessage(),
            'code' => 'stale',
            'current' => JobAnswer::of($stale->job),
        ], 409));
    }

    private static function sentence(BadInput $bad): string
    {
        return $bad->field === '' || str_contains($bad->getMessage(), 'file') ? $bad->getMessage() : "{$bad->field} {$bad->getMessage()}";
    }
}
