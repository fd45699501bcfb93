<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Actions\KeepRevision;
use App\Actions\Kept;
use App\Actions\OpenJob;
use App\Actions\PutAway;
use App\Actions\WriteOnce;
use App\Answers\JobAnswer;
use App\Answers\Wanted;
use App\Models\Job;
use App\Models\User;
use FallBend\Core\Input\BadInput;
use FallBend\Core\Input\Fields;
use FallBend\Core\Job\JobFile;
use FallBend\Core\Job\OnSite;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;

/** Where jobs stand on the board: open, archived, deleted; and copies of them. */
final readonly class ShelfController
{
    public function __construct(
        private PutAway $away,
        private OpenJob $open,
        private KeepRevision $keep,
        private WriteOnce $once,
        private JobFile $file,
    ) {}

    public function archive(Request $request, string $id): JsonResponse
    {
        $this->away->archive(Job::asked($request, $id), User::asking($request));

        return new JsonResponse(null, 204);
    }

    /** Deletes a job: it can be put back for some days. */
    public function destroy(Request $request, string $id): JsonResponse
    {
        $user = User::asking($request);
        // Whoever asks again has what they asked for.
        if (PutAway::deletedOf($user)->whereKey($id)->doesntExist()) {
            $this->away->delete(Job::asked($request, $id), $user);
        }

        return new JsonResponse(null, 204);
    }

    /** Puts an archived or a deleted job back among the open ones. */
    public function putBack(Request $request, string $id): JsonResponse
    {
        $user = User::asking($request);
        $deleted = PutAway::deletedOf($user)->find($id);
        $this->away->putBack($deleted ?? Job::asked($request, $id), $user);

        return new JsonResponse(null, 204);
    }

    /** Says what a job belongs to. */
    public function project(Request $request, string $id): JsonResponse
    {
        $body = Fields::of($request->json()->all());
        $project = trim($body->string('project', 80));
        $body->end();
        Job::asked($request, $id)->note(['project' => $project]);

        return new JsonResponse(null, 204);
    }

    /** A new job with the plan of another, and nothing of what was done there. */
    public function copy(Request $request, string $id, JobAnswer $answer): JsonResponse
    {
        $body = Fields::of($request->only(['name']));
        $name = trim($body->string('name', 120));
        $body->end();
        if ($name === '') {
            throw BadInput::at('name', 'say what the copy is called', $name);
        }
        $job = Job::asked($request, $id);
        $plan = $this->open->newest($job)->evaluation->job()->onSite(new OnSite);
        $document = ['name' => $name] + JobFile::decoded($this->file->write($plan));
        $start = function () use ($request, $job, $document): Kept {
            $kept = $this->keep->start($job->crew_id, User::asking($request), $this->file->read($document));
            $kept->job->note(['project' => $job->project]);

            return $kept;
        };

        return $answer->kept($this->once->revision($request, $start), Wanted::of($request), null, 201);
    }
}
