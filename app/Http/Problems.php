<?php

declare(strict_types=1);

namespace App\Http;

use App\Actions\OpenJob;
use App\Actions\StaleEdit;
use App\Actions\UnreadableJob;
use App\Answers\JobAnswer;
use App\Answers\Wanted;
use App\Models\DeletedJob;
use App\Models\Revision;
use FallBend\Core\Input\BadInput;
use Illuminate\Database\ConcurrencyErrorDetector;
use Illuminate\Database\Eloquent\ModelNotFoundException;
use Illuminate\Database\LostConnectionDetector;
use Illuminate\Foundation\Configuration\Exceptions;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use League\Flysystem\FilesystemException;
use PDOException;
use RedisException;
use Symfony\Component\HttpKernel\Exception\NotFoundHttpException;
use Throwable;

/**
 * Turns what the core and the actions throw into JSON answers, in one place.
 *
 * @phpstan-type Unreadable array{
 *     message: string,
 *     code: 'unreadable',
 *     job: array{id: string, name: string, revision: int},
 *     readable: array{revision: int, kept_at: string, kept_by: string}|null,
 * }
 */
final class Problems
{
    /** What a node of a cluster says that is not part of it just now. */
    private const NODE_NOT_READY = 'WSREP has not yet prepared node';

    public static function register(Exceptions $exceptions): void
    {
        $exceptions->shouldRenderJsonWhen(
            static fn (Request $request): bool => $request->is('api/*') || $request->expectsJson(),
        );
        $exceptions->report(Noted::note(...))->stop();
        $exceptions->respond(Noted::named(...));
        $exceptions->dontReport([BadInput::class, DeletedJob::class, StaleEdit::class, UnreadableJob::class]);
        $exceptions->render(self::badInput(...));
        $exceptions->render(self::stale(...));
        $exceptions->render(self::unreadable(...));
        $exceptions->render(self::deleted(...));
        $exceptions->render(self::notFound(...));
        $exceptions->render(self::away(...));
    }

    private static function badInput(BadInput $bad, Request $request): JsonResponse
    {
        if ($request->is('api/reckon/*')) {
            return new JsonResponse($bad->toArray(), 422);
        }

        return new JsonResponse(
            [
                'message' => self::sentence($bad),
                'code' => 'bad-input',
                'errors' => [$bad->field === '' ? 'file' : $bad->field => [$bad->getMessage()]],
            ],
            422,
        );
    }

    /**
     * The job as it is now, and who changed it since: nobody is told of a change of their own as if it were another's.
     */
    private static function stale(StaleEdit $stale, Request $request): JsonResponse
    {
        $since = Revision::query()
            ->where('job_id', $stale->job->id)
            ->where('number', '>', $stale->from)
            ->with('author')
            ->get();
        $others = $since->filter(
            static fn (Revision $revision): bool => $revision->author_id !== $request->user()?->getAuthIdentifier(),
        );

        try {
            $current = app(JobAnswer::class)->keptFields(
                app(OpenJob::class)->newest($stale->job),
                Wanted::of($request),
            );
        } catch (BadInput $bad) {
            // It is too large to be answered whole.
            return self::badInput($bad, $request);
        } catch (UnreadableJob $unreadable) {
            return self::unreadable($unreadable);
        }

        return JobAnswer::response(
            [
                'message' => JobAnswer::json($stale->getMessage()),
                'code' => JobAnswer::json('stale'),
                'changed_by' => JobAnswer::json(
                    $others->map(static fn (Revision $revision): string => $revision->author->name)->unique()->values(),
                ),
                'current' => JobAnswer::object($current),
            ],
            409,
        );
    }

    /**
     * The database, the store of pictures or what else servers share is away for a moment, or another node takes over
     * from it: what was asked is asked again, and what was written is carried out once.
     */
    private static function away(Throwable $wrong): ?JsonResponse
    {
        $isAway =
            $wrong instanceof RedisException ||
            $wrong instanceof FilesystemException ||
            ($wrong instanceof PDOException &&
                (app(LostConnectionDetector::class)->causedByLostConnection($wrong) ||
                    app(ConcurrencyErrorDetector::class)->causedByConcurrencyError($wrong) ||
                    str_contains($wrong->getMessage(), self::NODE_NOT_READY)));
        if (! $isAway) {
            return null;
        }

        return new JsonResponse(
            ['message' => 'A part of the server is away for a moment. It is tried again by itself.', 'code' => 'away'],
            503,
            ['Retry-After' => '1'],
        );
    }

    private static function deleted(DeletedJob $deleted): JsonResponse
    {
        return new JsonResponse(['message' => $deleted->getMessage(), 'code' => 'deleted'], 410);
    }

    private static function unreadable(UnreadableJob $unreadable): JsonResponse
    {
        return new JsonResponse(self::reason($unreadable), 422);
    }

    /** @return Unreadable why a job cannot be opened, what to go back to, and as which file it can be taken away */
    private static function reason(UnreadableJob $unreadable): array
    {
        $job = $unreadable->job;
        $last = app(OpenJob::class)->lastReadable($job);

        return [
            'message' => $unreadable->getMessage(),
            'code' => 'unreadable',
            'job' => ['id' => $job->id, 'name' => $job->name, 'revision' => $job->head],
            'readable' => $last === null
                ? null
                : [
                    'revision' => $last->number,
                    'kept_at' => $last->created_at->toIso8601String(),
                    'kept_by' => $last->author->name,
                ],
        ];
    }

    /** What is not there is not named by the classes that looked for it. */
    private static function notFound(NotFoundHttpException $missing, Request $request): ?JsonResponse
    {
        if (! $request->is('api/*') && ! $request->expectsJson()) {
            return null;
        }

        // What we say of it ourselves, of a link that opens nothing, stands; the framework names classes and routes.
        $isOurs = $request->route() !== null && ! $missing->getPrevious() instanceof ModelNotFoundException;
        $said = $isOurs && $missing->getMessage() !== '' ? $missing->getMessage() : 'There is no such thing here.';

        return new JsonResponse(['message' => $said, 'code' => 'not-found'], 404);
    }

    private static function sentence(BadInput $bad): string
    {
        return $bad->field === '' || str_contains($bad->getMessage(), 'file')
            ? $bad->getMessage()
            : "{$bad->field} {$bad->getMessage()}";
    }
}
