<?php

declare(strict_types=1);

namespace App\Actions;

use App\Models\Job;
use App\Models\Revision;
use App\Models\User;
use FallBend\Core\Evaluation\JobEvaluator;
use FallBend\Core\Job\Job as Plan;
use FallBend\Core\Job\JobFile;
use Illuminate\Support\Facades\DB;

/** Appends revisions to jobs: new jobs, edits, undo, redo. Each names the revision that it starts from, and none overwrites another. */
final readonly class KeepRevision
{
    public function __construct(private JobFile $file, private JobEvaluator $evaluator) {}

    /** Starts a job with its first revision. */
    public function start(int $crewId, User $author, Plan $plan): Job
    {
        return DB::transaction(function () use ($crewId, $author, $plan): Job {
            $job = Job::query()->create(['crew_id' => $crewId, 'name' => $plan->name, 'head' => 0]);

            return $this->append($job, $author, $plan, 'start', null, null);
        });
    }

    /**
     * Keeps an edit. Edits with the gesture of the newest revision, by the same person, are undone together with it.
     *
     * @throws StaleEdit
     */
    public function edit(Job $job, User $author, Plan $plan, int $from, string $gesture): Job
    {
        return $this->onto($job, $from, function (Job $job, Revision $head) use ($author, $plan, $gesture): Job {
            $same = $head->gesture === $gesture && $head->author_id === $author->id;

            return $this->append($job, $author, $plan->keepingMarksOf($this->plan($head)), $gesture, $same ? $head->undo_to : $head->number, null);
        });
    }

    /**
     * Brings back the state before the last change.
     *
     * @throws StaleEdit
     */
    public function undo(Job $job, User $author, int $from): Job
    {
        return $this->onto($job, $from, function (Job $job, Revision $head) use ($author): Job {
            if ($head->undo_to === null) {
                return $job;
            }
            $target = $job->revision($head->undo_to);

            return $this->append($job, $author, $this->plan($target)->keepingMarksOf($this->plan($head)), "undo {$head->number}", $target->undo_to, $head->number);
        });
    }

    /**
     * Brings back what the last undo took away.
     *
     * @throws StaleEdit
     */
    public function redo(Job $job, User $author, int $from): Job
    {
        return $this->onto($job, $from, function (Job $job, Revision $head) use ($author): Job {
            if ($head->redo_to === null) {
                return $job;
            }
            $target = $job->revision($head->redo_to);

            return $this->append($job, $author, $this->plan($target)->keepingMarksOf($this->plan($head)), "redo {$head->number}", $target->undo_to, $target->redo_to);
        });
    }

    public function plan(Revision $revision): Plan
    {
        return $this->file->parse($revision->document);
    }

    /** @param  callable(Job, Revision): Job  $change */
    private function onto(Job $job, int $from, callable $change): Job
    {
        return DB::transaction(static function () use ($job, $from, $change): Job {
            // The row lock makes edits of one job wait for each other, on every server.
            $locked = Job::query()->lockForUpdate()->findOrFail($job->id);
            if ($locked->head !== $from) {
                throw new StaleEdit($locked);
            }

            return $change($locked, $locked->headRevision());
        });
    }

    private function append(Job $job, User $author, Plan $plan, string $gesture, ?int $undoTo, ?int $redoTo): Job
    {
        // What is kept has every mark allotted, so that a letter once shown stays.
        $plan = $this->evaluator->evaluate($plan)['job'];
        $number = $job->head + 1;
        $job->revisions()->create([
            'number' => $number,
            'author_id' => $author->id,
            'gesture' => $gesture,
            'undo_to' => $undoTo,
            'redo_to' => $redoTo,
            'document' => json_encode($this->file->document($plan), JSON_THROW_ON_ERROR | JSON_UNESCAPED_UNICODE | JSON_PRESERVE_ZERO_FRACTION),
        ]);
        $job->update(['head' => $number, 'name' => $plan->name]);

        return $job;
    }
}
