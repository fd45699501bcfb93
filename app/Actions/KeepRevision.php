<?php

declare(strict_types=1);

namespace App\Actions;

use App\Evaluations\JobEvaluation;
use App\Log\BroughtLog;
use App\Log\JobLog;
use App\Log\MoveIntoLog;
use App\Models\Job;
use App\Models\Revision;
use App\Models\User;
use Closure;
use FallBend\Core\Input\BadInput;
use FallBend\Core\Job\Job as Plan;
use FallBend\Core\Job\JobFile;
use FallBend\Core\Job\OnSite;
use Illuminate\Support\Facades\DB;

/**
 * Appends revisions to jobs: new jobs, edits, undo, redo. Each names the revision that it starts from, and none
 * overwrites
 * another. A plan is evaluated once, before it is stored; nothing is stored that cannot be read again.
 */
final readonly class KeepRevision
{
    public function __construct(
        private JobFile $file,
        private EvaluateJob $evaluate,
        private OpenJob $open,
        private MoveIntoLog $intoLog,
    ) {}

    /**
     * Starts a job with its first revision, and with the log that came with it.
     *
     * @throws BadInput if the plan cannot be evaluated, or not be kept
     */
    public function start(int $crewId, User $author, Plan $plan, ?BroughtLog $log = null): Kept
    {
        $plan = $log === null ? $plan : $plan->onSite($log->onSite());
        $plan = $plan->remarked([...$plan->site->touched(), ...$log?->runs() ?? []]);
        $evaluation = $this->evaluate->ofCrew($plan, $crewId);
        $text = $this->file->write($evaluation->job());

        return self::atOnce(function () use ($crewId, $author, $plan, $evaluation, $text, $log): Kept {
            $job = Job::query()->create(['crew_id' => $crewId] + self::columns(1, $author, $evaluation, null));
            $kept = self::append($job, $author, null, new Step($plan, 'start', null, null), $evaluation, $text);
            if ($log === null) {
                $this->intoLog->move($job, $author, $plan->site);
            } else {
                $log->take($job, $author);
                $job->note(OpenJob::summary($evaluation, $job->id));
            }

            return $kept;
        });
    }

    /**
     * Keeps an edit. Edits with the gesture of the newest revision, by the same person, are undone together with it.
     *
     * @throws StaleEdit
     * @throws UnreadableJob
     * @throws BadInput if the plan cannot be evaluated, or not be kept
     */
    public function edit(Job $job, User $author, Edit $edit): Kept
    {
        $next = static function (Revision $head) use ($author, $edit): Step {
            $isSame = $head->gesture === $edit->gesture && $head->author_id === $author->id;

            return new Step(
                $edit->plan,
                $edit->gesture,
                $isSame ? $head->undo_to : $head->number,
                null,
                $edit->document,
            );
        };

        return $this->onto($job, $author, $edit->from, $next);
    }

    /**
     * Brings back the state before the last change.
     *
     * @throws StaleEdit
     * @throws UnreadableJob
     * @throws BadInput if that state cannot be read any more
     */
    public function undo(Job $job, User $author, int $from): Kept
    {
        return $this->onto($job, $author, $from, function (Revision $head) use ($job): ?Step {
            if ($head->undo_to === null) {
                return null;
            }
            $target = $job->revision($head->undo_to);

            return new Step($this->open->plan($target), "undo {$head->number}", $target->undo_to, $head->number);
        });
    }

    /**
     * Brings back what the last undo took away.
     *
     * @throws StaleEdit
     * @throws UnreadableJob
     * @throws BadInput if that state cannot be read any more
     */
    public function redo(Job $job, User $author, int $from): Kept
    {
        return $this->onto($job, $author, $from, function (Revision $head) use ($job): ?Step {
            if ($head->redo_to === null) {
                return null;
            }
            $target = $job->revision($head->redo_to);

            return new Step($this->open->plan($target), "redo {$head->number}", $target->undo_to, $target->redo_to);
        });
    }

    /**
     * Goes on from an older revision of a job whose newest one cannot be read.
     *
     * @throws StaleEdit
     * @throws BadInput if that revision cannot be read either
     */
    public function goBackTo(Job $job, User $author, int $from, int $number): Kept
    {
        self::refuseStale($job, $from);
        $step = new Step($this->open->plan($job->revision($number)), "back to {$number}", null, null);
        $head = $job->newest();
        $newest = $this->open->mended($head);

        return $this->keep($job, $author, $head, $newest === null
            ? $step
            : $step->onto($newest->marks(), $newest->figures(), $newest->nextFigure));
    }

    /**
     * Gives the runs of a job that was marked before runs had figures one each, but for those that its log speaks of:
     * what is cut, printed or joined keeps what is written on it.
     *
     * @throws BadInput if the plan cannot be read
     */
    public function giveFigures(Job $job): void
    {
        $head = $job->newest();
        $plan = $this->open->plan($head);
        $marked = $plan->remarked(JobLog::runs($job->id));
        if ($marked !== $plan) {
            $step = new Step($marked, 'figures of runs', $head->undo_to, $head->redo_to);
            $this->keep($job, $head->author, $head, $step);
        }
    }

    /** @param callable(Revision): ?Step $next what follows the newest revision; null: nothing */
    private function onto(Job $job, User $author, int $from, callable $next): Kept
    {
        self::refuseStale($job, $from);
        $head = $job->newest();
        $step = $next($head);
        if ($step === null) {
            return $this->open->newest($job);
        }
        try {
            $before = JobFile::decoded($head->text());
            $marks =
                $job->unreadable === null
                    ? $this->file->marks($before, $step->document)
                    : $this->file->read($before)->marks();
        } catch (BadInput $bad) {
            throw UnreadableJob::because($job, $bad);
        }

        return $this->keep($job, $author, $head, $step->onto($marks, ...JobFile::figures($before)), $before);
    }

    /** @param array<array-key, mixed> $before the document of the newest revision, where it could be read */
    private function keep(Job $job, User $author, Revision $head, Step $step, array $before = []): Kept
    {
        // A page of an earlier release sends what was done in the document: that is said in the log.
        $said = $step->document === [] ? new OnSite : $step->plan->site;
        $plan = $said->isNothing() ? $step->plan->onSite(JobLog::onSite($job->id)) : $step->plan;
        $evaluation = $this->evaluate->ofCrew($plan, $job->crew_id);
        $text = $this->file->write($evaluation->job(), $before);

        return self::atOnce(function () use ($job, $author, $head, $step, $evaluation, $text, $said): Kept {
            if (! $job->moveOn(self::columns($head->number + 1, $author, $evaluation, $job->id))) {
                throw new StaleEdit(Job::query()->lockForUpdate()->findOrFail($job->id), $head->number);
            }

            $this->intoLog->move($job, $author, $said);

            return self::append($job, $author, $head, $step, $evaluation, $text);
        });
    }

    /**
     * In one transaction: whoever has begun one ends it.
     *
     * @template T
     *
     * @param Closure(): T $write
     * @return T
     */
    private static function atOnce(Closure $write): mixed
    {
        return DB::transactionLevel() > 0 ? $write() : DB::transaction($write);
    }

    private static function refuseStale(Job $job, int $from): void
    {
        if ($job->head !== $from) {
            throw new StaleEdit($job, $from);
        }
    }

    /**
     * @param string $text of the file
     *
     * @throws BadInput if the database does not give back what it was given
     */
    private static function append(
        Job $job,
        User $author,
        ?Revision $head,
        Step $step,
        JobEvaluation $evaluation,
        string $text,
    ): Kept {
        $revision = Revision::put(
            [
                'job_id' => $job->id,
                'number' => $job->head,
                'author_id' => $author->id,
                'gesture' => $step->gesture,
                'undo_to' => $step->undoTo,
                'redo_to' => $step->redoTo,
            ] +
                ($head?->next($text) ?? Revision::whole($text)),
            $head,
        );
        if ($revision->text() !== $text) {
            throw BadInput::at('', 'What was stored was not read back as it was. Nothing was kept.');
        }
        $revision->setRelation('author', $author);

        return new Kept($job, $revision, $evaluation);
    }

    /** @return array<string, mixed> what a job says of its newest revision */
    private static function columns(int $head, User $author, JobEvaluation $evaluation, ?string $job): array
    {
        return [
            'head' => $head,
            'name' => $evaluation->job()->name,
            'kept_by_id' => $author->id,
            'unreadable' => null,
        ] + OpenJob::summary($evaluation, $job);
    }
}
