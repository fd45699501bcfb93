<?php

declare(strict_types=1);

namespace App\Answers;

use App\Actions\Kept;
use App\Evaluations\JobEvaluation;
use FallBend\Core\Input\BadInput;
use FallBend\Core\Job\DocumentChange;
use FallBend\Core\Job\JobFile;
use FallBend\Core\Report\EvaluationReport;
use Illuminate\Http\JsonResponse;

/** A job as the interface is given it: whole, or in the parts that it wants. */
final readonly class JobAnswer
{
    private const FLAGS = JSON_THROW_ON_ERROR | JSON_UNESCAPED_UNICODE | JSON_UNESCAPED_SLASHES;

    public function __construct(private JobFile $file) {}

    /**
     * A job that was read and evaluated, but not kept.
     *
     * @param array<array-key, mixed>|null $sent the document that it was made of; null: nobody has it
     *
     * @throws BadInput if it is too large to be answered whole, and is to be
     */
    public function evaluated(JobEvaluation $job, ?Wanted $wanted, ?array $sent): JsonResponse
    {
        return self::response($this->fields($job, $wanted, $sent), 200);
    }

    /**
     * A job with where it stands among its revisions.
     *
     * @param array<array-key, mixed>|null $sent the document that it was made of; null: nobody has it
     *
     * @throws BadInput if it is too large to be answered whole, and is to be
     */
    public function kept(Kept $kept, ?Wanted $wanted, ?array $sent = null, int $status = 200): JsonResponse
    {
        return self::response($this->keptFields($kept, $wanted, $sent), $status);
    }

    /**
     * @param array<array-key, mixed>|null $sent
     * @return array<string, string> JSON by name
     *
     * @throws BadInput
     */
    public function keptFields(Kept $kept, ?Wanted $wanted, ?array $sent = null): array
    {
        $revision = $kept->revision;

        return array_map(self::json(...), [
            'id' => $kept->job->id,
            'name' => $kept->evaluation->job()->name,
            'revision' => $revision->number,
            'kept_at' => $revision->created_at->toIso8601String(),
            'kept_by' => $revision->author->name,
            'can_undo' => $revision->undo_to !== null,
            'can_redo' => $revision->redo_to !== null,
        ]) + $this->fields($kept->evaluation, $wanted, $sent);
    }

    /** @param array<string, string> $fields JSON by name */
    public static function response(array $fields, int $status): JsonResponse
    {
        return JsonResponse::fromJsonString(self::object($fields), $status);
    }

    /** @param array<string, string> $fields JSON by name */
    public static function object(array $fields): string
    {
        $members = array_map(
            static fn (string $name, string $json): string => self::json($name).':'.$json,
            array_keys($fields),
            $fields,
        );

        return '{'.implode(',', $members).'}';
    }

    public static function json(mixed $value): string
    {
        return json_encode($value, self::FLAGS);
    }

    /**
     * @param array<array-key, mixed> $sent
     * @param array<string, mixed> $document
     */
    private static function changed(array $sent, array $document): string
    {
        $change = DocumentChange::between($sent, $document);

        return self::json(['set' => (object) $change['set']] + $change);
    }

    /**
     * @param array<array-key, mixed>|null $sent
     * @return array<string, string>
     *
     * @throws BadInput
     */
    private function fields(JobEvaluation $job, ?Wanted $wanted, ?array $sent): array
    {
        $document = $this->file->document($job->job());
        if ($wanted === null) {
            return [
                'document' => self::json($document),
                'evaluation' => self::json((new EvaluationReport($job->evaluated))->toArray()),
            ];
        }

        $parts = PartsAnswer::texts($job, $wanted);
        $job->remember();

        return [
            ...$sent === null ? ['document' => self::json($document)] : ['changed' => self::changed($sent, $document)],
            'phrases' => self::json(EvaluationReport::phrases($job->evaluated->phrases)),
            ...$parts,
        ];
    }
}
