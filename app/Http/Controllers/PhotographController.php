<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Models\Job;
use App\Models\Photograph;
use App\Models\Share;
use FallBend\Core\Input\BadInput;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use Illuminate\Http\Response;

/**
 * Pictures from the site: sent as they are, named by their hash in the log.
 *
 * @phpstan-type SentPhotograph array{hash: string}
 */
final readonly class PhotographController
{
    private const MOST_BYTES = 3_000_000;

    /** So many of one job. */
    private const MOST = 500;

    private const TYPES = ['image/jpeg' => IMAGETYPE_JPEG, 'image/png' => IMAGETYPE_PNG];

    public function store(Request $request, string $id): JsonResponse
    {
        $job = Job::asked($request, $id);
        $bytes = $request->getContent();
        $type = self::type($bytes);
        $hash = hash('sha256', $bytes);
        if (Photograph::query()->where(['job_id' => $job->id, 'hash' => $hash])->doesntExist()) {
            if (Photograph::query()->where('job_id', $job->id)->count() >= self::MOST) {
                throw BadInput::at('', 'there are '.self::MOST.' photographs of this job already', null);
            }
            Photograph::query()->create(['job_id' => $job->id, 'hash' => $hash, 'type' => $type, 'bytes' => $bytes]);
        }

        return new JsonResponse(['hash' => $hash], 201);
    }

    public function show(Request $request, string $id, string $hash): Response
    {
        return Photograph::shown(Job::asked($request, $id)->id, $hash);
    }

    /** A picture in the record that a link opens. */
    public function shared(string $token, string $hash): Response
    {
        return Photograph::shown(Share::opened($token)->job_id, $hash);
    }

    /** @throws BadInput if it is no picture, or too large */
    private static function type(string $bytes): string
    {
        if (strlen($bytes) > self::MOST_BYTES) {
            throw BadInput::at('', 'is larger than 3 MB: send it smaller', null);
        }
        $size = @getimagesizefromstring($bytes);
        $type = $size === false ? false : array_search($size[2], self::TYPES, true);

        return $type === false ? throw BadInput::at('', 'is no picture, JPEG or PNG', null) : $type;
    }
}
