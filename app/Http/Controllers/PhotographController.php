<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Files\PictureStore;
use App\Files\ReencodedPicture;
use App\Models\Job;
use App\Models\Photograph;
use App\Models\Share;
use FallBend\Core\Input\BadInput;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use Illuminate\Http\Response;

/**
 * Pictures from the site: named in the log by the hash of what was sent, kept as they are drawn anew from it.
 *
 * @phpstan-type SentPhotograph array{hash: string}
 */
final readonly class PhotographController
{
    /** So many of one job. */
    private const MOST = 500;

    public function store(Request $request, string $id): JsonResponse
    {
        $job = Job::asked($request, $id);
        $bytes = $request->getContent();
        $hash = hash('sha256', $bytes);
        if (Photograph::query()->where(['job_id' => $job->id, 'hash' => $hash])->doesntExist()) {
            if (Photograph::query()->where('job_id', $job->id)->count() >= self::MOST) {
                throw BadInput::at('', 'there are '.self::MOST.' photographs of this job already', null);
            }
            $picture = ReencodedPicture::of($bytes);
            Photograph::query()->create([
                'job_id' => $job->id,
                'hash' => $hash,
                'type' => $picture->type,
                'kept' => hash('sha256', $picture->bytes),
                'bytes' => PictureStore::put($picture->bytes),
            ]);
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
}
