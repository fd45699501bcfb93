<?php

declare(strict_types=1);

namespace App\Actions;

use App\Models\Job;
use App\Models\User;
use App\Models\Write;
use FallBend\Core\Input\BadInput;
use Illuminate\Http\Request;
use Illuminate\Support\Facades\DB;
use Throwable;

/**
 * Carries out a write once, however often it is asked for: the asker sends a key of its own making in the header
 * `Idempotency-Key`, and may send the same again when no answer came. What a write came to is kept in the transaction
 * of the
 * write itself. Without a key a write is carried out as often as it is asked for.
 */
final readonly class WriteOnce
{
    private const HEADER = 'Idempotency-Key';

    /** A transaction that met another is tried again. */
    private const ATTEMPTS = 5;

    private const KEPT_DAYS = 30;

    public function __construct(private OpenJob $open) {}

    /**
     * A write that makes a revision of a job.
     *
     * @param callable(): Kept $write
     *
     * @throws BadInput if the key stood for something else before
     */
    public function revision(Request $request, callable $write): Kept
    {
        /** @var array{Write, Kept}|null $written */
        $written = null;
        $row = $this->once($request, static function (Write $row) use ($write, &$written): void {
            $made = $write();
            $row->fill(['job_id' => $made->job->id, 'revision' => $made->revision->number]);
            $written = [$row, $made];
        });

        return $written !== null && $written[0] === $row ? $written[1] : $this->again($row);
    }

    /**
     * A write with a small answer of its own.
     *
     * @param callable(): array<string, mixed> $write
     * @return array<string, mixed>
     *
     * @throws BadInput if the key stood for something else before
     */
    public function answer(Request $request, callable $write): array
    {
        $row = $this->once($request, static function (Write $row) use ($write): void {
            $row->answer = json_encode($write(), JSON_THROW_ON_ERROR | JSON_UNESCAPED_UNICODE);
        });
        /** @var array<string, mixed> $answer */
        $answer = json_decode($row->answer ?? '{}', true, 64, JSON_THROW_ON_ERROR);

        return $answer;
    }

    /** @param callable(Write): void $write notes on the row what it came to */
    private function once(Request $request, callable $write): Write
    {
        $key = $request->header(self::HEADER);
        if (! is_string($key) || $key === '') {
            $row = new Write;
            DB::transaction(static fn () => $write($row), self::ATTEMPTS);

            return $row;
        }
        if (preg_match('/^[\w-]{8,80}\z/', $key) !== 1) {
            throw BadInput::at(self::HEADER, 'must be 8 to 80 letters, digits, hyphens');
        }
        $mine = ['user_id' => User::asking($request)->id, 'key' => $key];
        $fingerprint = self::fingerprint($request);
        try {
            return DB::transaction(static function () use ($mine, $fingerprint, $write): Write {
                $row = new Write($mine + ['fingerprint' => $fingerprint]);
                $write($row);
                // The same write on its way twice waits here for the first to end, and is undone.
                $row->save();
                self::forgetOld();

                return $row;
            }, self::ATTEMPTS);
        } catch (Throwable $failed) {
            // One that was carried out before mostly cannot be again: the job has moved on, the number is gone.
            $seen = Write::query()->where($mine)->first() ?? throw $failed;
        }

        // Of writes before this release the text itself was taken.
        $asSent = self::hashed($request, $request->getContent());

        return in_array($seen->fingerprint, [$fingerprint, $asSent], true)
            ? $seen
            : throw BadInput::at(self::HEADER, 'stood for another write before: nothing was changed');
    }

    /** The same for the same write, whether its document was sent whole or as what differs from a revision. */
    private static function fingerprint(Request $request): string
    {
        $body = $request->isJson() ? $request->json()->all() : [];
        $said = $body === [] ? $request->getContent() : json_encode(self::inOrder($body), JSON_THROW_ON_ERROR);

        return self::hashed($request, $said);
    }

    private static function hashed(Request $request, string $said): string
    {
        return hash('sha256', "{$request->method()} {$request->path()} {$said}");
    }

    /**
     * @param array<array-key, mixed> $value
     * @return array<array-key, mixed> with the fields of all objects by their names
     */
    private static function inOrder(array $value): array
    {
        if (! array_is_list($value)) {
            ksort($value);
        }

        return array_map(static fn (mixed $one): mixed => is_array($one) ? self::inOrder($one) : $one, $value);
    }

    /** What a write came to when it was carried out, as it was then. */
    private function again(Write $row): Kept
    {
        $job = Job::query()->findOrFail($row->job_id);
        $revision = $job->revision($row->revision ?? 0);
        $job->head = $revision->number;

        return $this->open->at($job, $revision);
    }

    private static function forgetOld(): void
    {
        if (random_int(1, 200) === 1) {
            Write::query()->where('created_at', '<', now()->subDays(self::KEPT_DAYS))->limit(1_000)->delete();
        }
    }
}
