<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Actions\CrewNumbers;
use App\Models\Job;
use App\Models\Revision;
use FallBend\Core\Evaluation\JobEvaluator;
use FallBend\Core\Job\JobFile;

/** A job as the interface is given it: its document, its evaluation, and where it stands among its revisions. */
final class JobAnswer
{
    /** @return array<string, mixed> */
    public static function of(Job $job): array
    {
        $revision = $job->headRevision();
        $plan = app(JobFile::class)->parse($revision->document);
        $evaluated = app(JobEvaluator::class)->evaluate($plan, null, app(CrewNumbers::class)->of($job->crew_id));

        return self::row($job, $revision) + [
            'document' => app(JobFile::class)->document($evaluated['job']),
            'evaluation' => $evaluated['evaluation'],
        ];
    }

    /** @return array<string, mixed> */
    public static function row(Job $job, Revision $revision): array
    {
        return [
            'id' => $job->id,
            'name' => $job->name,
            'revision' => $job->head,
            'kept_at' => $revision->created_at->toIso8601String(),
            'kept_by' => $revision->author->name,
            'can_undo' => $revision->undo_to !== null,
            'can_redo' => $revision->redo_to !== null,
        ];
    }
}
