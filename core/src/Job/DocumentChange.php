<?php

declare(strict_types=1);

namespace FallBend\Core\Job;

/** What is other in one document of a job than in another: whole runs, and whole fields beside them. */
final class DocumentChange
{
    /**
     * @param array<array-key, mixed> $before
     * @param array<string, mixed> $after as `JobFile` writes it
     * @return array{set: array<string, mixed>, gone: list<string>, runs: list<array<string, mixed>>} fields that are
     *     other, fields
     *                                                                                                that are no more,
     *                                                                                                and runs that are
     *                                                                                                other or new:
     *                                                                                                those stand in the
     *                                                                                                place of the run
     *                                                                                                of their id, or at
     *                                                                                                the end
     */
    public static function between(array $before, array $after): array
    {
        $set = [];
        foreach ($after as $field => $value) {
            if ($field !== 'runs' && ! (array_key_exists($field, $before) && self::same($before[$field], $value))) {
                $set[$field] = $value;
            }
        }
        $gone = array_map(strval(...), array_keys(array_diff_key($before, $after)));
        $old = [];
        foreach (is_array($before['runs'] ?? null) ? $before['runs'] : [] as $run) {
            if (is_array($run) && is_string($run['id'] ?? null)) {
                $old[$run['id']] = $run;
            }
        }
        /** @var list<array{id: string}> $runs */
        $runs = $after['runs'];
        $other = array_values(
            array_filter($runs, static fn (array $run): bool => ! self::same($old[$run['id']] ?? null, $run)),
        );

        return ['set' => $set, 'gone' => $gone, 'runs' => $other];
    }

    /**
     * Whether two values say the same: a whole number is the same as a broken one of its size, and the order of fields
     * says nothing.
     */
    private static function same(mixed $one, mixed $other): bool
    {
        if ($one === $other) {
            return true;
        }
        // A ledger is written as an object, and read as an array.
        [$one, $other] = [is_object($one) ? (array) $one : $one, is_object($other) ? (array) $other : $other];
        if (is_array($one) && is_array($other)) {
            if (count($one) !== count($other) || array_is_list($one) !== array_is_list($other)) {
                return false;
            }
            foreach ($one as $key => $value) {
                // What is identical is not gone into: this is asked of every value of a job with every key press.
                $isSame = isset($other[$key]) && $other[$key] === $value;
                if (! $isSame && ! (array_key_exists($key, $other) && self::same($value, $other[$key]))) {
                    return false;
                }
            }

            return true;
        }
        if ((is_int($one) || is_float($one)) && (is_int($other) || is_float($other))) {
            return (float) $one === (float) $other;
        }

        return $one === $other;
    }
}
