<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Actions\EvaluateJob;
use App\Answers\JobAnswer;
use App\Answers\Wanted;
use App\Log\JobLog;
use App\Log\SiteZone;
use App\Models\Job;
use DateTimeImmutable;
use FallBend\Core\Catalog\Catalogue;
use FallBend\Core\Effort\Effort;
use FallBend\Core\Input\Fields;
use FallBend\Core\Job\GroupCopy;
use FallBend\Core\Job\JobFile;
use FallBend\Core\Job\Marks;
use FallBend\Core\Job\Run;
use FallBend\Core\MakeUp\RunClosing;
use FallBend\Core\MakeUp\RunMakeUp;
use FallBend\Core\MakeUp\RunOrder;
use FallBend\Core\Measure\Tape;
use FallBend\Core\Measure\TapeReader;
use FallBend\Core\Measure\Units;
use FallBend\Core\Measure\UnreadableLength;
use FallBend\Core\Reckon\Reckoners;
use FallBend\Core\Report\BooksCompared;
use FallBend\Core\Report\DayReport;
use FallBend\Core\Report\JointCard;
use FallBend\Core\Sequence\DayAsked;
use FallBend\Core\Site\SiteLog;
use FallBend\Core\Testing\Stage;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;

/**
 * Questions about a job that is not kept yet, and the single reckoners. They read the body themselves: an empty text is
 * a text here.
 *
 * @phpstan-import-type Reading from Tape
 *
 * @phpstan-type ReadLength array{read: Reading|null, problem: ?string}
 * @phpstan-type Lengths array{lengths: list<ReadLength>}
 */
final readonly class EvaluationController
{
    /** Characters of a length that is said. */
    private const LONGEST_LENGTH = 60;

    public function __construct(private EvaluateJob $evaluate) {}

    /** A job with what is being called out read into it. */
    public function evaluate(Request $request, JobAnswer $answer): JsonResponse
    {
        $body = self::body($request);
        $callOut = $body->childOrNull('call_out');
        $said =
            $callOut === null
                ? null
                : ['run' => $callOut->string('run', 40), 'text' => $callOut->stringOr('text', '', 20_000)];
        $callOut?->end();
        $job = $this->evaluate->plan($request, $body, $this->evaluate->document($body), $said);
        $wanted = Wanted::of($request);
        Wanted::named($body);
        $body->end();

        return $answer->evaluated($job, $wanted, self::sent($request));
    }

    /** A run with all that meets it once more, or several times more. */
    public function repeat(Request $request, JobAnswer $answer): JsonResponse
    {
        $body = self::body($request);
        $plan = $this->evaluate->toBeAddedTo($body);
        $run = $body->choice('run', array_map(static fn (Run $run): string => $run->id, $plan->runs));
        $step = $body->number('step_mm', -100_000, 100_000);
        $copied = GroupCopy::repeated($plan, $run, $step, $body->int('times', 1, 50), $body->bool('mirrored', false));
        $job = $this->evaluate->plan($request, $body, $copied);
        $wanted = Wanted::of($request);
        Wanted::named($body);
        $body->end();

        return $answer->evaluated($job, $wanted, self::sent($request));
    }

    /** The ways of making up the pipe between two ends of a run. */
    public function makeUp(Request $request, JobFile $file, Effort $effort): JsonResponse
    {
        $body = self::body($request);
        $job = $this->evaluate->evaluated($request, $body);

        return new JsonResponse(
            (new RunMakeUp($job->catalogue, $job->book, $file))->answer($job->layout(), $body, $effort),
        );
    }

    /** In what order a run goes together where its ends stand. */
    public function order(Request $request, Effort $effort): JsonResponse
    {
        $body = self::body($request);
        $job = $this->evaluate->evaluated($request, $body);
        $run = $job->run(EvaluateJob::runOf($body, $job));
        $body->end();

        return new JsonResponse([
            'order' => RunOrder::of($run)?->toArray($effort),
            'closing' => (new RunClosing($run, $job->catalogue))->toArray(),
        ]);
    }

    /** The day in which a run is joined: who joins what and when, and when it may be moved, filled and tested. */
    public function day(Request $request, Effort $effort): JsonResponse
    {
        $body = self::body($request);
        $job = $this->evaluate->evaluated($request, $body, $effort);
        $run = EvaluateJob::runOf($body, $job);
        $asked = DayAsked::read($body);
        $body->end();

        // What was done of a job that is kept stands in its log.
        return new JsonResponse((new DayReport($job))->ofRun($run, $asked, self::log($request, $body)));
    }

    /** Where a plan that is being changed says something else than what is joined of a run. */
    public function joined(Request $request): JsonResponse
    {
        $body = self::body($request);
        $job = $this->evaluate->evaluated($request, $body);
        $run = EvaluateJob::runOf($body, $job);
        $log = JobLog::siteLog(Job::asked($request, $body->string('job', 40)));
        $body->end();

        return new JsonResponse(['findings' => (new DayReport($job))->differs($run, $log)]);
    }

    /** How the pipes that a run belongs to are tested at a stage, and how far that is. */
    public function test(Request $request): JsonResponse
    {
        $body = self::body($request);
        $job = $this->evaluate->evaluated($request, $body);
        [$run, $stage] = [EvaluateJob::runOf($body, $job), $body->enum('stage', Stage::class)];
        $hose = $body->numberOrNull('hose_l_per_min', 0.1, 1_000);
        $zone = SiteZone::read($body);
        $log = (self::log($request, $body) ?? new SiteLog([], new DateTimeImmutable))->in($zone);
        $body->end();

        return new JsonResponse($job->testing($log)->toArray($stage, $run, $hose));
    }

    /** Where a run is hung, and what hangs between two hangers. */
    public function hang(Request $request): JsonResponse
    {
        $body = self::body($request);
        $job = $this->evaluate->evaluated($request, $body);
        $run = EvaluateJob::runOf($body, $job);
        $body->end();

        return new JsonResponse($job->hanging($run)->toArray());
    }

    /** What is to be cut now, and from which sticks. */
    public function cut(Request $request, Effort $effort): JsonResponse
    {
        $body = self::body($request);
        $job = $this->evaluate->evaluated($request, $body, $effort);
        $run = EvaluateJob::runOf($body, $job);
        $body->end();

        return new JsonResponse($job->cutting()->ofRun($run));
    }

    /** All that the job takes, by shelf. */
    public function materials(Request $request, Effort $effort): JsonResponse
    {
        $body = self::body($request);
        $job = $this->evaluate->evaluated($request, $body, $effort);
        $body->end();
        $rows = $job->materials()->rows();
        $prices = array_filter(array_column($rows, 'price'), static fn (?float $price): bool => $price !== null);

        return new JsonResponse([
            'rows' => $rows,
            'total' => $prices === [] ? null : array_sum($prices),
            'hours' => $job->hours()->rows(),
        ]);
    }

    /** What would be said otherwise of a job under another book. */
    public function books(Request $request, Catalogue $catalogue): JsonResponse
    {
        $body = self::body($request);
        [$here, $there] = $this->evaluate->underBooks($request, $body, $catalogue);
        $body->end();

        return new JsonResponse(['rows' => (new BooksCompared($here, $there))->rows()]);
    }

    /** Everything about one joint of a job. */
    public function joint(Request $request): JsonResponse
    {
        $body = self::body($request);
        $card = new JointCard($this->evaluate->evaluated($request, $body));
        $answer = $body->has('single')
            ? $card->ofSingle($body->string('single', 40))
            : $card->ofRun($body->string('run', 40), $body->string('joint', Marks::LONGEST_KEY));
        $body->end();

        return new JsonResponse($answer);
    }

    /** The same about all joints of a run, or about all single ones. */
    public function joints(Request $request): JsonResponse
    {
        $body = self::body($request);
        $card = new JointCard($this->evaluate->evaluated($request, $body));
        $cards = $body->has('run') ? $card->allOfRun($body->string('run', 40)) : $card->allSingles();
        $body->end();

        return new JsonResponse(['cards' => $cards]);
    }

    /** Reads the lengths of a form, each as a tape says it; what is not understood is said in its place. */
    public function lengths(Request $request): JsonResponse
    {
        return new JsonResponse(self::read(self::body($request)));
    }

    /** @return Lengths */
    private static function read(Fields $body): array
    {
        $reader = new TapeReader(Units::from($body->choice('units', ['inch', 'mm'])));
        $length = static fn (string $text): array => self::length($text, $reader);

        return ['lengths' => array_map($length, $body->strings('texts'))];
    }

    /** @return ReadLength */
    private static function length(string $text, TapeReader $reader): array
    {
        if (mb_strlen($text) > self::LONGEST_LENGTH) {
            return ['read' => null, 'problem' => 'must be at most '.self::LONGEST_LENGTH.' characters'];
        }
        try {
            return ['read' => (new Tape)->reading($reader->read($text)->toMm()), 'problem' => null];
        } catch (UnreadableLength $unreadable) {
            return ['read' => null, 'problem' => $unreadable->getMessage()];
        }
    }

    public function reckon(Request $request, string $name, Reckoners $reckoners, Effort $effort): JsonResponse
    {
        abort_unless($reckoners->has($name), 404);

        return new JsonResponse($reckoners->reckonJson($name, $request->getContent(), $effort));
    }

    /** Gives what happened on site of the job that a question names; null where it names none. */
    private static function log(Request $request, Fields $body): ?SiteLog
    {
        return $body->has('job')
            ? JobLog::siteLog(Job::asked($request, $body->string('job', 40)))
            : null;
    }

    private static function body(Request $request): Fields
    {
        return Fields::of($request->json()->all());
    }

    /** @return array<array-key, mixed> the document as it was sent */
    private static function sent(Request $request): array
    {
        $document = $request->json('document');

        return is_array($document) ? $document : [];
    }
}
