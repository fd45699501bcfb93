<?php

declare(strict_types=1);

namespace App\Questions;

use App\Models\Question;
use App\Models\User;
use Illuminate\Support\Facades\DB;
use Symfony\Component\HttpKernel\Exception\HttpException;

/**
 * The turn of a heavy question: two are worked on at a time, on however many servers; of those that wait, it is the
 * turn of the
 * crew that has fewest being worked on, and of that crew's the one that has waited longest. Whoever asks much at once
 * is asked
 * to wait, so that others come to their turn.
 *
 * A question is alive as long as its connection to the database holds a lock by its number: what a killed worker left
 * behind
 * is seen to be dead at once, by everybody.
 *
 * @phpstan-type Waiting object{id: int, crew_id: int, is_begun: int, is_called_off: int, worker: ?int}
 */
final readonly class Turn
{
    private const AT_ONCE = 2;

    /** So many a crew may have waiting and being worked on. */
    private const OF_A_CREW = 6;

    private const MOST_WAIT_S = 20.0;

    private const LOOKS_EVERY_US = 40_000;

    /**
     * Waits for the turn, answers the question, and lets the next one have its turn.
     *
     * @template T
     *
     * @param callable(Question): T $answer
     * @return T
     *
     * @throws HttpException 429 where the crew asks too much at once, 503 where it did not come to its turn, or was
     *     called off
     */
    public function take(User $asker, ?string $key, callable $answer): mixed
    {
        $question = Question::query()->create(['user_id' => $asker->id, 'crew_id' => $asker->crewId(), 'key' => $key]);
        DB::select('SELECT GET_LOCK(?, 0)', [self::lockOf($question->id)]);
        try {
            $this->wait($question);

            return $answer($question);
        } finally {
            Question::query()->whereKey($question->id)->delete();
            DB::select('SELECT RELEASE_LOCK(?)', [self::lockOf($question->id)]);
        }
    }

    /** Whether the asker called it off. */
    public static function isCalledOff(Question $question): bool
    {
        // One that is gone was called off.
        return DB::table('questions')->where('id', $question->id)->where('is_called_off', 0)->doesntExist();
    }

    private function wait(Question $question): void
    {
        $end = microtime(true) + self::MOST_WAIT_S;
        for ($isFirst = true; ; $isFirst = false) {
            $alive = $this->alive();
            $mine = $alive[$question->id] ?? null;
            if ($mine === null || $mine->is_called_off === 1) {
                throw new HttpException(503, 'This question was called off.');
            }
            $ofCrew = array_filter($alive, static fn (object $one): bool => $one->crew_id === $mine->crew_id);
            if ($isFirst && count($ofCrew) > self::OF_A_CREW) {
                throw new HttpException(429, 'Your crew asks much at once. Ask again in a moment.', null, [
                    'Retry-After' => '1',
                ]);
            }
            if (self::next($alive) === $question->id) {
                Question::query()
                    ->whereKey($question->id)
                    ->update(['is_begun' => true]);

                return;
            }
            if (microtime(true) > $end) {
                throw new HttpException(503, 'Too much is being asked at once. Ask again in a moment.', null, [
                    'Retry-After' => '3',
                ]);
            }
            usleep(self::LOOKS_EVERY_US);
        }
    }

    /** @return array<int, Waiting> questions whose worker lives, by number, the oldest first */
    private function alive(): array
    {
        $alive = [];
        /** @var list<Waiting> $rows */
        $rows = DB::select(
            "SELECT id, crew_id, is_begun, is_called_off, IS_USED_LOCK(CONCAT('fall-bend question ', id)) AS worker FROM questions ORDER BY id",
        );
        foreach ($rows as $row) {
            if ($row->worker !== null) {
                $alive[$row->id] = $row;
            }
        }
        if (count($rows) > count($alive)) {
            DB::table('questions')
                ->whereNotIn('id', array_keys($alive))
                ->where('created_at', '<', now()->subMinute())
                ->delete();
        }

        return $alive;
    }

    /**
     * @param array<int, Waiting> $alive the oldest first
     * @return ?int whose turn it is; null: nobody's
     */
    private static function next(array $alive): ?int
    {
        $begun = array_filter($alive, static fn (object $one): bool => $one->is_begun === 1);
        if (count($begun) >= self::AT_ONCE) {
            return null;
        }
        $busy = array_count_values(array_map(static fn (object $one): int => $one->crew_id, $begun));
        [$next, $least] = [null, PHP_INT_MAX];
        foreach (array_diff_key($alive, $begun) as $id => $one) {
            $mine = $busy[$one->crew_id] ?? 0;
            if ($mine < $least) {
                [$next, $least] = [$id, $mine];
            }
        }

        return $next;
    }

    private static function lockOf(int $id): string
    {
        return "fall-bend question {$id}";
    }
}
