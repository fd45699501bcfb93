<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Actions\Kept;
use App\Models\Job;
use FallBend\Core\Job\JobFile;

/** A job as the interface is given it. */
final class JobAnswer
{
    /** @return array<string, mixed> its document, its evaluation, and where it stands among its revisions */
    public static function of(Kept $kept): array
    {
        $revision = $kept->revision;

        return [
            'id' => $kept->job->id,
            'name' => $kept->plan->name,
            'revision' => $revision->number,
            'kept_at' => $revision->created_at->toIso8601String(),
            'kept_by' => $revision->author->name,
            'can_undo' => $revision->undo_to !== null,
            'can_redo' => $revision->redo_to !== null,
            'document' => app(JobFile::class)->document($kept->plan),
            'evaluation' => $kept->evaluation,
        ];
    }

    /** @return array<string, mixed> a row of the board: what was stored when it was kept, nothing worked out anew */
    public static function row(Job $job): array
    {
        return [
            'id' => $job->id,
            'name' => $job->name,
            'revision' => $job->head,
            'kept_at' => $job->updated_at->toIso8601String(),
            'kept_by' => $job->keptBy->name ?? '',
            'summary' => $job->summary,
            'unreadable' => $job->unreadable,
        ];
    }
}
