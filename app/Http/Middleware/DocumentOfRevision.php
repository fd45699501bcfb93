<?php

declare(strict_types=1);

namespace App\Http\Middleware;

use App\Http\SentDocument;
use App\Models\Job;
use App\Models\Revision;
use Closure;
use Illuminate\Database\Eloquent\ModelNotFoundException;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use stdClass;
use Symfony\Component\HttpFoundation\Response;

/**
 * A document may be sent as what differs from a revision of its job: on a slow line a key press is a kilobyte and not
 * thirty. It is put together before anybody reads the request. Where that cannot be done the asker is told, and sends
 * the whole.
 */
final readonly class DocumentOfRevision
{
    public const FIELD = 'document_of';

    /** @param Closure(Request): Response $next */
    public function handle(Request $request, Closure $next): Response
    {
        $sent = $request->isJson() ? $request->json(self::FIELD) : null;
        if ($sent === null) {
            return $next($request);
        }
        $document = is_array($sent) ? $this->document($request, $sent) : null;
        if ($document === null) {
            return new JsonResponse(
                ['message' => 'What this differs from is not known here: send the whole.', 'code' => 'base-unknown'],
                409,
            );
        }
        $request->json()->set('document', $document);
        $request->json()->remove(self::FIELD);

        return $next($request);
    }

    /**
     * @param array<array-key, mixed> $sent
     * @return array<array-key, mixed>|null
     */
    private function document(Request $request, array $sent): ?array
    {
        $id = $request->route('id') ?? $request->json('job');
        ['revision' => $number, 'sums' => $sums] = $sent + ['revision' => null, 'sums' => null];
        if (! is_string($id) || ! is_int($number) || ! is_array($sums)) {
            return null;
        }
        try {
            $text = Revision::numbered(Job::asked($request, $id)->id, $number)->text();
        } catch (ModelNotFoundException) {
            return null;
        }
        // What is an empty object is no empty list: the patch is read once more, as it was sent.
        $body = json_decode($request->getContent());
        $of = $body instanceof stdClass ? $body->{self::FIELD} ?? null : null;
        $patch = $of instanceof stdClass ? $of->patch ?? null : null;

        return is_array($patch) ? SentDocument::of($text, self::operations($patch), $sums) : null;
    }

    /**
     * @param array<array-key, mixed> $patch
     * @return list<stdClass>
     */
    private static function operations(array $patch): array
    {
        return array_values(array_filter($patch, static fn (mixed $one): bool => $one instanceof stdClass));
    }
}
