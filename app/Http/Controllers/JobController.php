<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Actions\Board;
use App\Actions\BoardAsked;
use App\Actions\CrewNumbers;
use App\Actions\Edit;
use App\Actions\KeepRevision;
use App\Actions\Kept;
use App\Actions\OpenJob;
use App\Actions\WriteOnce;
use App\Answers\JobAnswer;
use App\Answers\Wanted;
use App\Log\BroughtLog;
use App\Models\Job;
use App\Models\User;
use FallBend\Core\Evaluation\EvaluatedJob;
use FallBend\Core\Input\BadInput;
use FallBend\Core\Input\Fields;
use FallBend\Core\Job\Job as Plan;
use FallBend\Core\Job\JobFile;
use FallBend\Core\Report\EvaluationReport;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use Illuminate\Http\Response;
use Illuminate\Support\Str;

/** The jobs of the crews that a user is in. A job of another crew is not found. */
final readonly class JobController
{
    /** A file is at most so large with its log. */
    private const MOST_BYTES = 8_000_000;

    public function __construct(
        private KeepRevision $keep,
        private OpenJob $open,
        private JobFile $file,
        private WriteOnce $once,
        private JobAnswer $answer,
    ) {}

    /** A page of the board. */
    public function index(Request $request, Board $board): JsonResponse
    {
        $asked = BoardAsked::read(Fields::of($request->query()));

        return JsonResponse::fromJsonString($board->page(User::asking($request)->crewId(), $asked));
    }

    /** A new job, empty or with a whole document (a copy, or an imported file). */
    public function store(Request $request): JsonResponse
    {
        $plan = $this->file->read(
            $request->has('document')
                ? $this->document($request)
                : [...JobFile::EMPTY, ...$request->only(['name', 'place', 'units', 'rulebook'])],
        );

        return $this->started($request, $plan);
    }

    /** A job from the text of a file. */
    public function import(Request $request): JsonResponse
    {
        $text = $request->input('text');
        $document = JobFile::decoded(
            is_string($text) ? $text : throw BadInput::at('text', 'is missing'),
            self::MOST_BYTES,
        );
        $file = Fields::of($document);
        $log = $file->has('log') ? BroughtLog::read($file->child('log')) : null;

        return $this->started($request, $this->file->read(array_diff_key($document, ['log' => 0])), $log);
    }

    public function show(Request $request, string $id): JsonResponse
    {
        return $this->answer->kept($this->open->newest(Job::asked($request, $id)), Wanted::of($request));
    }

    public function update(Request $request, string $id): JsonResponse
    {
        $job = Job::withNewest(User::asking($request)->id, $id);
        $gesture = self::body($request)->string('gesture', 40);
        $sent = $this->document($request);
        $edit = new Edit($sent, $this->file->read($sent), $this->from($request), $gesture);

        $keep = fn (): Kept => $this->keep->edit($job, User::asking($request), $edit);

        return $this->wrote($request, $keep, 200, $sent);
    }

    public function undo(Request $request, string $id): JsonResponse
    {
        $author = User::asking($request);
        [$job, $from] = [Job::withNewest($author->id, $id), $this->from($request)];

        return $this->wrote($request, fn (): Kept => $this->keep->undo($job, $author, $from));
    }

    public function redo(Request $request, string $id): JsonResponse
    {
        $author = User::asking($request);
        [$job, $from] = [Job::withNewest($author->id, $id), $this->from($request)];

        return $this->wrote($request, fn (): Kept => $this->keep->redo($job, $author, $from));
    }

    /** Goes on from an older revision, where the newest one cannot be read. */
    public function goBack(Request $request, string $id): JsonResponse
    {
        $author = User::asking($request);
        [$job, $from] = [Job::withNewest($author->id, $id), $this->from($request)];
        $to = self::body($request)->int('to', 1, PHP_INT_MAX);

        return $this->wrote($request, fn (): Kept => $this->keep->goBackTo($job, $author, $from, $to));
    }

    /** The job file, for download, with the log of what happened on site. */
    public function file(Request $request, string $id, CrewNumbers $crew): Response
    {
        $job = Job::asked($request, $id);
        $kept = $this->open->newest($job);
        try {
            $text = $this->file->write(
                $kept->evaluation
                    ->job()
                    ->carrying($crew->numbers($job->crew_id), self::used($kept->evaluation->evaluated)),
            );
        } catch (BadInput) {
            // With the crew's numbers in it it would be more than a file can hold: then it says what it says without
            // them.
            $text = $this->file->write($kept->evaluation->job());
        }
        $flags =
            JSON_THROW_ON_ERROR |
            JSON_PRETTY_PRINT |
            JSON_UNESCAPED_UNICODE |
            JSON_UNESCAPED_SLASHES |
            JSON_PRESERVE_ZERO_FRACTION;

        $pretty = json_encode(json_decode($text, false, 64, JSON_THROW_ON_ERROR), $flags);
        $log = BroughtLog::written($job);

        return self::download($job, ($log === '' ? $pretty : substr($pretty, 0, -2).",\n    {$log}\n}")."\n");
    }

    /** The newest revision as it is stored, whether it can be read or not. */
    public function raw(Request $request, string $id): Response
    {
        $job = Job::asked($request, $id);

        return self::download($job, $job->headRevision()->text());
    }

    private static function download(Job $job, string $text): Response
    {
        $slug = Str::slug($job->name);
        $name = $slug === '' ? 'job' : $slug;

        return new Response($text, 200, [
            'Content-Type' => 'application/json',
            'Content-Disposition' => "attachment; filename=\"{$name}.fallbend.json\"",
        ]);
    }

    private function started(Request $request, Plan $plan, ?BroughtLog $log = null): JsonResponse
    {
        $crew = User::asking($request)->crewId() ?? abort(403, 'You are in no crew yet.');

        $start = fn (): Kept => $this->keep->start($crew, User::asking($request), $plan, $log);

        return $this->wrote($request, $start, 201);
    }

    /**
     * @param callable(): Kept $write
     * @param array<array-key, mixed>|null $sent the document that was sent to be kept
     */
    private function wrote(Request $request, callable $write, int $status = 200, ?array $sent = null): JsonResponse
    {
        $wanted = Wanted::of($request);
        $kept = $this->once->revision($request, $write);
        try {
            return $this->answer->kept($kept, $wanted, $sent, $status);
        } catch (BadInput) {
            // Too large to be answered whole: it is kept all the same, and that is answered.
            return $this->answer->kept($kept, Wanted::nothing(), $sent, $status);
        }
    }

    /**
     * @return list<string> table and row of every number that the evaluation rests on
     */
    private static function used(EvaluatedJob $job): array
    {
        $report = new EvaluationReport($job);
        $used = [];
        $collect = static function (mixed $value, int|string $key) use (&$used, &$table): void {
            if ($key === 'table') {
                $table = $value;
            } elseif ($key === 'row' && is_string($table) && is_string($value)) {
                $used["{$table} {$value}"] = true;
            }
        };
        // A run at a time: all of them would be more than a worker holds.
        foreach ($report->runs() as $run) {
            array_walk_recursive($run, $collect);
        }
        $rest = $report->rest();
        array_walk_recursive($rest, $collect);

        return array_keys($used);
    }

    private function from(Request $request): int
    {
        return self::body($request)->int('from', 0, PHP_INT_MAX);
    }

    /** @return array<array-key, mixed> */
    private function document(Request $request): array
    {
        $document = $request->json()->all()['document'] ?? null;

        return is_array($document) ? $document : throw BadInput::at('document', 'must be an object', $document);
    }

    private static function body(Request $request): Fields
    {
        return Fields::of($request->json()->all());
    }
}
