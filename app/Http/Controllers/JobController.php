<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Actions\CrewNumbers;
use App\Actions\KeepRevision;
use App\Models\Job;
use App\Models\User;
use FallBend\Core\Evaluation\JobEvaluator;
use FallBend\Core\Input\BadInput;
use FallBend\Core\Job\JobFile;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use Illuminate\Http\Response;
use Illuminate\Support\Str;

/** The jobs of the crews that a user is in. A job of another crew is not found. */
final readonly class JobController
{
    public function __construct(private KeepRevision $keep, private JobFile $file) {}

    public function index(Request $request): JsonResponse
    {
        $jobs = Job::query()->whereIn('crew_id', $this->crewIds($request))->orderByDesc('updated_at')->orderBy('id')->get();

        return new JsonResponse(['jobs' => $jobs->map(static fn (Job $job): array => JobAnswer::of($job))->values()]);
    }

    /** A new job, empty or with a whole document (a copy, or an imported file). */
    public function store(Request $request): JsonResponse
    {
        $crew = $this->crewIds($request)[0] ?? abort(403, 'You are in no crew yet.');
        $plan = $this->file->read($request->has('document') ? $this->document($request) : [
            'format' => JobFile::FORMAT,
            'version' => JobFile::VERSION,
            'runs' => [],
            ...$request->only(['name', 'place', 'units', 'rulebook']),
        ]);

        return new JsonResponse(JobAnswer::of($this->keep->start($crew, User::asking($request), $plan)), 201);
    }

    /** A job from the text of a file. */
    public function import(Request $request): JsonResponse
    {
        $crew = $this->crewIds($request)[0] ?? abort(403, 'You are in no crew yet.');
        $text = $request->input('text');
        if (! is_string($text)) {
            throw BadInput::at('text', 'is missing');
        }

        return new JsonResponse(JobAnswer::of($this->keep->start($crew, User::asking($request), $this->file->parse($text))), 201);
    }

    public function show(Request $request, string $id): JsonResponse
    {
        return new JsonResponse(JobAnswer::of($this->job($request, $id)));
    }

    public function update(Request $request, string $id): JsonResponse
    {
        $job = $this->job($request, $id);
        $given = $request->validate(['from' => ['required', 'integer'], 'gesture' => ['required', 'string', 'max:40']]);

        return new JsonResponse(JobAnswer::of($this->keep->edit($job, User::asking($request), $this->file->read($this->document($request)), (int) $given['from'], (string) $given['gesture'])));
    }

    public function undo(Request $request, string $id): JsonResponse
    {
        return new JsonResponse(JobAnswer::of($this->keep->undo($this->job($request, $id), User::asking($request), $this->from($request))));
    }

    public function redo(Request $request, string $id): JsonResponse
    {
        return new JsonResponse(JobAnswer::of($this->keep->redo($this->job($request, $id), User::asking($request), $this->from($request))));
    }

    /** The job file, for download. */
    public function file(Request $request, string $id, CrewNumbers $crew, JobEvaluator $evaluator): Response
    {
        $job = $this->job($request, $id);
        $plan = $this->keep->plan($job->headRevision());
        $own = $crew->of($job->crew_id);
        $document = $this->file->document($plan->carrying($own, self::used($evaluator->evaluate($plan, null, $own)['evaluation'])));
        $slug = Str::slug($job->name);
        $name = $slug === '' ? 'job' : $slug;

        return new Response(json_encode($document, JSON_THROW_ON_ERROR | JSON_PRETTY_PRINT | JSON_UNESCAPED_UNICODE | JSON_UNESCAPED_SLASHES)."\n", 200, [
            'Content-Type' => 'application/json',
            'Content-Disposition' => "attachment; filename=\"{$name}.fallbend.json\"",
        ]);
    }

    /**
     * @param array<string, mixed> $evaluation
     * @return list<string> table and row of every number that the evaluation rests on
     */
    private static function used(array $evaluation): array
    {
        $used = [];
        array_walk_recursive($evaluation, static function (mixed $value, int|string $key) use (&$used, &$table): void {
            if ($key === 'table') {
                $table = $value;
            } elseif ($key === 'row' && is_string($table) && is_string($value)) {
                $used[] = "{$table} {$value}";
            }
        });

        return array_values(array_unique($used));
    }

    private function from(Request $request): int
    {
        return (int) $request->validate(['from' => ['required', 'integer']])['from'];
    }

    /** @return array<array-key, mixed> */
    private function document(Request $request): array
    {
        $document = $request->json()->all()['document'] ?? null;

        return is_array($document) ? $document : throw BadInput::at('document', 'must be an object', $document);
    }

    private function job(Request $request, string $id): Job
    {
        return Job::query()->whereIn('crew_id', $this->crewIds($request))->findOrFail($id);
    }

    /** @return list<int> */
    private function crewIds(Request $request): array
    {
        return array_values(User::asking($request)->crews->map(static fn ($crew): int => $crew->id)->all());
    }
}
