<?php

declare(strict_types=1);

namespace App\Actions;

use App\Evaluations\JobEvaluation;
use App\Evaluations\KnownEvaluations;
use App\Evaluations\ReadDocuments;
use App\Log\JobLog;
use App\Models\User;
use FallBend\Core\Catalog\Amendments;
use FallBend\Core\Catalog\Catalogue;
use FallBend\Core\Catalog\OwnNumbers;
use FallBend\Core\Effort\Effort;
use FallBend\Core\Evaluation\EvaluatedJob;
use FallBend\Core\Evaluation\JobEvaluator;
use FallBend\Core\Input\BadInput;
use FallBend\Core\Input\Fields;
use FallBend\Core\Job\Job as Plan;
use Illuminate\Http\Request;

/**
 * Reads the job that a request brings, and evaluates it once. The numbers that go before the lists are those of the
 * crew that
 * the job belongs to, which the request names in `job`; of a document that is no job yet, those of the asker's first
 * crew.
 */
final readonly class EvaluateJob
{
    /**
     * What is searched for beside an answer that somebody waits for with every key press: a few hundredths of a second.
     */
    private const BESIDE = 20_000;

    public function __construct(
        private ReadDocuments $documents,
        private CrewNumbers $numbers,
        private JobEvaluator $evaluator,
        private KnownEvaluations $evaluations,
    ) {}

    /**
     * @param Fields $body of the request, with `document` and, where it is kept already, `job`
     *
     * @throws BadInput where the document is wrong, or the job too large
     */
    public function evaluated(Request $request, Fields $body, ?Effort $effort = null): EvaluatedJob
    {
        return $this->underOwn($this->ownNumbers($request, $body), $body, $effort ?? Effort::of(self::BESIDE));
    }

    /**
     * Evaluates the same job under its own book and under the `rulebook` of a request, with the `amendments` to it
     * where the request has some.
     *
     * @return array{EvaluatedJob, EvaluatedJob}
     *
     * @throws BadInput where the document is wrong, the job too large, or there is no such book
     */
    public function underBooks(Request $request, Fields $body, Catalogue $catalogue): array
    {
        $own = $this->ownNumbers($request, $body);
        $here = $this->underOwn($own, $body, Effort::of(self::BESIDE));
        $book = $body->choice('rulebook', $catalogue->rulebookKeys());
        $fields = $body->childOrNull('amendments');
        $amendments = $fields === null ? null : Amendments::read($fields, $catalogue);
        if ($amendments !== null && $amendments->rulebook !== $book) {
            throw BadInput::at('amendments.rulebook', 'is not the book that is asked for', $amendments->rulebook);
        }

        return [
            $here,
            $this->evaluator->evaluate($here->job()->under($book, $amendments), null, $own, Effort::of(self::BESIDE)),
        ];
    }

    /**
     * Evaluates a plan that was made of the document of a request, to be answered.
     *
     * @param array{run: string, text: string}|null $callOut what is being called out for one of its runs
     *
     * @throws BadInput where the job is too large
     */
    public function plan(Request $request, Fields $body, Plan $plan, ?array $callOut = null): JobEvaluation
    {
        $own = $this->ownNumbers($request, $body);
        $isNew = ($callOut['run'] ?? '') === JobEvaluator::NEW_RUN;
        $plan = $isNew || self::showsSite($body, $callOut) ? self::onSite($plan, $body, $isNew) : $plan;
        $evaluated = $this->evaluator->evaluate($plan, $callOut, $own, Effort::of(self::BESIDE));

        // What is being said is new with every key press; a document as it stands may have been evaluated before.
        return $callOut === null
            ? JobEvaluation::of($evaluated, $own, $this->evaluations)
            : JobEvaluation::fresh($evaluated, $own, $this->evaluations);
    }

    /**
     * Evaluates a plan of a crew, as it is kept or is to be.
     *
     * @throws BadInput where the job is too large
     */
    public function ofCrew(Plan $plan, int $crewId): JobEvaluation
    {
        $own = $this->numbers->numbers($crewId);
        $evaluated = $this->evaluator->evaluate($plan, null, $own, Effort::of(self::BESIDE));

        return JobEvaluation::of($evaluated, $own, $this->evaluations);
    }

    /** @throws BadInput where the document is wrong */
    public function document(Fields $body): Plan
    {
        $document = $body->raw('document');

        return $this->documents->read(is_array($document) ? $document : []);
    }

    /**
     * Gives the id of the run that a body asks for.
     *
     * @throws BadInput if the job has none of it
     */
    public static function runOf(Fields $body, EvaluatedJob $job): string
    {
        return $body->choice('run', $job->layout()->ids());
    }

    /**
     * Gives the document of a request as runs are added to it.
     *
     * @throws BadInput where the document is wrong
     */
    public function toBeAddedTo(Fields $body): Plan
    {
        return self::onSite($this->document($body), $body, true);
    }

    /**
     * Whether an answer may show what was done on site: with every key press of a call-out only where sticks are
     * wanted.
     *
     * @param array{run: string, text: string}|null $callOut
     */
    private static function showsSite(Fields $body, ?array $callOut): bool
    {
        $want = $callOut !== null && $body->has('want') ? $body->raw('want') : null;
        if (! is_array($want)) {
            return true;
        }
        foreach (array_keys($want) as $part) {
            if (str_starts_with((string) $part, 'cut:')) {
                return true;
            }
        }

        return false;
    }

    /**
     * The plan with what was done on site of the job that a body names, where it names one; who asks may see it.
     *
     * @param bool $isAdded whether a run is added to it
     */
    private static function onSite(Plan $plan, Fields $body, bool $isAdded = false): Plan
    {
        if (! $body->has('job')) {
            return $plan;
        }
        $job = $body->string('job', 40);
        $site = JobLog::onSite($job);

        return $plan->onSite($isAdded ? $site->withRuns(JobLog::runs($job)) : $site);
    }

    private function underOwn(OwnNumbers $own, Fields $body, Effort $effort): EvaluatedJob
    {
        $plan = self::onSite($this->document($body), $body);

        return $this->evaluator->evaluate($plan, null, $own, $effort);
    }

    private function ownNumbers(Request $request, Fields $body): OwnNumbers
    {
        $asker = User::asking($request);

        return $body->has('job')
            ? $this->numbers->ofJob($body->string('job', 40), $asker->id)
            : $this->numbers->numbers($asker->crewId());
    }
}
