<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Actions\EvaluateJob;
use App\Log\JobLog;
use App\Log\SiteZone;
use App\Models\Job;
use App\Models\Share;
use App\Models\User;
use App\People\Audit;
use FallBend\Core\Input\BadInput;
use FallBend\Core\Input\Fields;
use FallBend\Core\Job\JobFile;
use FallBend\Core\Recording\JobRecord;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use Illuminate\Support\Carbon;
use Illuminate\Support\Facades\DB;

/**
 * Links by which somebody without an account reads the record of a job.
 *
 * @phpstan-import-type WrittenRecord from JobRecord
 * @phpstan-import-type WrittenShare from Share
 *
 * @phpstan-type NewShare array{share: WrittenShare, link: string}
 * @phpstan-type SharedRecord array{for: string, expires_at: string, record: WrittenRecord}
 */
final readonly class ShareController
{
    private const MOST_DAYS = 365;

    /** So many may be open of one job. */
    private const MOST_OPEN = 50;

    public function index(Request $request, string $id): JsonResponse
    {
        $shares = Share::query()
            ->with('author')
            ->where('job_id', Job::asked($request, $id)->id)
            ->orderByDesc('id')
            ->limit(200)
            ->get();

        return new JsonResponse([
            'shares' => array_values(array_map(static fn (Share $share): array => $share->written(), $shares->all())),
        ]);
    }

    /** A new link. What stands in it is said this once. */
    public function store(Request $request, string $id): JsonResponse
    {
        $body = Fields::of($request->json()->all());
        [$for, $days] = [trim($body->string('for', 80)), $body->int('days', 1, self::MOST_DAYS)];
        $body->end();
        if ($for === '') {
            throw BadInput::at('for', 'say whom it is for', $for);
        }
        $job = Job::asked($request, $id);
        $open = Share::query()
            ->where('job_id', $job->id)
            ->whereNull('withdrawn_at')
            ->where('expires_at', '>', Carbon::now())
            ->count();
        if ($open >= self::MOST_OPEN) {
            throw BadInput::at('for', 'withdraw a link first: there are '.self::MOST_OPEN.' already', $for);
        }
        [$share, $token] = Share::of($job, User::asking($request), $for, $days);

        return new JsonResponse(
            ['share' => $share->written(), 'link' => $request->root()."/shared/{$token}"],
            201,
        );
    }

    /** Withdraws a link: it opens nothing any more. */
    public function destroy(Request $request, string $id, int $share): JsonResponse
    {
        $job = Job::asked($request, $id);
        $found = Share::query()->where('job_id', $job->id)->findOrFail($share);
        $user = User::asking($request);
        DB::transaction(static function () use ($job, $found, $user): void {
            $found->update(['withdrawn_at' => Carbon::now()]);
            $about = ['job' => $job->name, 'person' => $found->for];
            Audit::ofCrew($job->crew_id, 'share-withdrawn', $user, $about);
        });

        return new JsonResponse(null, 204);
    }

    /** The record that a link opens; nothing of what is not open is said. */
    public function show(Request $request, string $token, EvaluateJob $evaluate, JobFile $file): JsonResponse
    {
        $zone = SiteZone::read(Fields::of($request->query()));
        $share = Share::opened($token);
        $text = $share->job->newest()->text();
        $plan = $file->parse($text)->onSite(JobLog::onSite($share->job_id));
        $evaluated = $evaluate->ofCrew($plan, $share->job->crew_id)->evaluated;

        return new JsonResponse([
            'for' => $share->for,
            'expires_at' => $share->expires_at->toIso8601String(),
            'record' => $evaluated->record(JobLog::siteLog($share->job)->in($zone))->toArray(hash('sha256', $text)),
        ]);
    }
}
