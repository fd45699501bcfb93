<?php

declare(strict_types=1);

namespace App\Operations;

/**
 * Counts of what this node answered, in the memory that its workers share, and as monitoring reads them: the text
 * format of Prometheus, version 0.0.4.
 */
final class Metrics
{
    public const CONTENT_TYPE = 'text/plain; version=0.0.4; charset=utf-8';

    private const PREFIX = 'metric ';

    /** Upper bounds of the times that are counted, in seconds. */
    private const BOUNDS = [0.01, 0.025, 0.05, 0.1, 0.25, 0.5, 1.0, 2.5, 10.0];

    public static function noteRequest(string $route, int $status, float $seconds): void
    {
        if (! self::areKept()) {
            return;
        }
        self::add("fall_bend_requests_total{route=\"{$route}\",status=\"{$status}\"}", 1);
        foreach (self::BOUNDS as $bound) {
            if ($seconds <= $bound) {
                self::add("fall_bend_request_seconds_bucket{le=\"{$bound}\"}", 1);
            }
        }
        self::add('fall_bend_request_seconds_bucket{le="+Inf"}', 1);
        self::add('fall_bend_request_seconds_count', 1);
        self::add('fall_bend_request_microseconds_sum', (int) (1_000_000 * $seconds));
    }

    /** @param array<string, float|int> $now what is read at this moment, by name */
    public static function text(array $now): string
    {
        $counted = [];
        if (self::areKept()) {
            /** @var iterable<string, array{value: int}> $kept */
            $kept = new \APCUIterator('/^'.self::PREFIX.'/', APC_ITER_VALUE);
            foreach ($kept as $key => ['value' => $value]) {
                $counted[substr($key, strlen(self::PREFIX))] = $value;
            }
        }
        // Time is summed up in whole microseconds, and told in seconds.
        $sum = 'fall_bend_request_microseconds_sum';
        if (isset($counted[$sum])) {
            $counted['fall_bend_request_seconds_sum'] = $counted[$sum] / 1_000_000;
            unset($counted[$sum]);
        }
        ksort($counted);
        $lines = [];
        foreach (self::typed($counted, $now) as $name => $value) {
            $lines[] = is_string($value) ? "# TYPE {$name} {$value}" : "{$name} {$value}";
        }

        return implode("\n", $lines)."\n";
    }

    /**
     * @param array<string, float|int> $counted
     * @param array<string, float|int> $now
     * @return iterable<string, float|int|string> values by name, before them the type of each
     */
    private static function typed(array $counted, array $now): iterable
    {
        $isHistogram = static fn (string $name): bool => str_starts_with($name, 'fall_bend_request_seconds');
        yield 'fall_bend_requests_total' => 'counter';
        $isOther = static fn (string $name): bool => ! $isHistogram($name);
        yield from array_filter($counted, $isOther, ARRAY_FILTER_USE_KEY);
        yield 'fall_bend_request_seconds' => 'histogram';
        yield from array_filter($counted, $isHistogram, ARRAY_FILTER_USE_KEY);
        foreach ($now as $name => $value) {
            yield $name => 'gauge';
            yield $name => $value;
        }
    }

    private static function add(string $name, int $by): void
    {
        apcu_inc(self::PREFIX.$name, $by);
    }

    private static function areKept(): bool
    {
        return function_exists('apcu_enabled') && apcu_enabled();
    }
}
