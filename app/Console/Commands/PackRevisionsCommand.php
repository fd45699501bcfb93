<?php

declare(strict_types=1);

namespace App\Console\Commands;

use App\Models\Revision;
use Illuminate\Console\Command;

/** Packs the revisions that an earlier version kept as text. `bin/start` does it beside serving. */
final class PackRevisionsCommand extends Command
{
    protected $signature = 'jobs:pack';

    protected $description = 'Pack the revisions that an earlier version kept as text';

    public function handle(): int
    {
        $before = null;
        foreach (
            Revision::query()->whereNotNull('document')->orderBy('job_id')->orderBy('number')->cursor() as $revision
        ) {
            $text = $revision->text();
            $isNext = $before?->job_id === $revision->job_id && $before->number + 1 === $revision->number;
            $revision->update(['document' => null] + ($isNext ? $before->next($text) : Revision::whole($text)));
            $before = $revision;
        }

        return 0;
    }
}
