<?php

declare(strict_types=1);

namespace FallBend\Core\Testing;

use DateTimeInterface;
use FallBend\Core\Site\Entry;
use FallBend\Core\Site\EntryKind;
use FallBend\Core\Site\SiteLog;

/**
 * The tests of a system at a stage, as the log has them, each judged by its readings.
 *
 * @phpstan-type WrittenTest array{
 *     key: string,
 *     number: int,
 *     what: value-of<TestKind>,
 *     begun_at: string,
 *     by: string,
 *     readings: list<array{at: string, value: float, air_c: ?float, by: string, number: int}>,
 *     state: value-of<CurveState>,
 *     from: ?string,
 *     until: ?string,
 *     loss: float,
 *     warmed_c: ?float,
 * }
 */
final readonly class SystemTests
{
    /** @var list<array{entry: Entry, state: CurveState, written: WrittenTest}> in their order */
    private array $tests;

    /** @param list<TestMethod> $methods of the stage */
    public function __construct(private SiteLog $log, private string $system, private Stage $stage, array $methods)
    {
        $byKind = [];
        foreach ($methods as $method) {
            $byKind[$method->kind->value] = $method;
        }
        $tests = [];
        foreach ($log->of(EntryKind::TestBegun) as $entry) {
            $method = $byKind[$entry->content['what'] ?? ''] ?? null;
            if ($this->isOurs($entry) && $method !== null) {
                $tests[] = $this->test($entry, $method);
            }
        }
        $this->tests = $tests;
    }

    /** @return list<WrittenTest> the last one first */
    public function written(): array
    {
        return array_reverse(array_column($this->tests, 'written'));
    }

    /** Gives how the last test stands; null: there was none. */
    public function last(): ?CurveState
    {
        return $this->tests === [] ? null : $this->tests[count($this->tests) - 1]['state'];
    }

    /** Gives what the last test is made with; null: there was none. */
    public function lastKind(): ?TestKind
    {
        return $this->tests === []
            ? null
            : TestKind::from($this->tests[count($this->tests) - 1]['written']['what']);
    }

    /** Gives the number of the entry by which the last test was begun; 0: there was none. */
    public function lastNumber(): int
    {
        return $this->tests === [] ? 0 : $this->tests[count($this->tests) - 1]['entry']->number;
    }

    /** @return array<string, Entry> the last that is said of each check, by its key */
    public function checks(): array
    {
        $checks = [];
        foreach ($this->log->of(EntryKind::Check) as $entry) {
            if ($this->isOurs($entry)) {
                $checks[$entry->content['check'] ?? ''] = $entry;
            }
        }

        return $checks;
    }

    private function isOurs(Entry $entry): bool
    {
        return ($entry->content['system'] ?? null) === $this->system &&
            ($entry->content['stage'] ?? null) === $this->stage->value;
    }

    /** @return array{entry: Entry, state: CurveState, written: WrittenTest} */
    private function test(Entry $entry, TestMethod $method): array
    {
        [$readings, $isEnded] = [[], false];
        foreach ($this->log->of(EntryKind::Reading, EntryKind::TestEnded) as $other) {
            if (($other->content['test'] ?? null) !== $entry->key) {
                continue;
            }
            if ($other->kind === EntryKind::TestEnded) {
                $isEnded = true;
            } else {
                $readings[] = $other;
            }
        }
        $curve = $this->curve($entry, $method, $readings, $isEnded);
        $state = $method->kind->isRead() ? $curve->state : $this->looked($entry, $method->kind, $isEnded);

        return [
            'entry' => $entry,
            'state' => $state,
            'written' => self::said($entry, $method->kind, $readings, $curve) + ['state' => $state->value],
        ];
    }

    /**
     * @param list<Entry> $readings
     * @return array{
     *     key: string,
     *     number: int,
     *     what: value-of<TestKind>,
     *     begun_at: string,
     *     by: string,
     *     readings: list<array{at: string, value: float, air_c: ?float, by: string, number: int}>,
     *     from: ?string,
     *     until: ?string,
     *     loss: float,
     *     warmed_c: ?float,
     * }
     */
    private static function said(Entry $begun, TestKind $kind, array $readings, TestCurve $curve): array
    {
        return [
            'key' => $begun->key,
            'number' => $begun->number,
            'what' => $kind->value,
            'begun_at' => $begun->at->format(DateTimeInterface::ATOM),
            'by' => $begun->by,
            'readings' => array_map(
                static fn (Entry $reading): array => [
                    'at' => $reading->at->format(DateTimeInterface::ATOM),
                    'value' => $reading->content['value'] ?? 0.0,
                    'air_c' => $reading->content['air_c'] ?? null,
                    'by' => $reading->by,
                    'number' => $reading->number,
                ],
                $readings,
            ),
            'from' => $curve->from?->format(DateTimeInterface::ATOM),
            'until' => $curve->until?->format(DateTimeInterface::ATOM),
            'loss' => $curve->loss,
            'warmed_c' => $curve->warmedC,
        ];
    }

    /** @param list<Entry> $readings */
    private function curve(Entry $begun, TestMethod $method, array $readings, bool $isEnded): TestCurve
    {
        // What is topped up counts as lost.
        $sign = $method->kind === TestKind::TopUp ? -1.0 : 1.0;
        $wanted = match ($method->kind) {
            TestKind::Water => 0.0,
            TestKind::TopUp => null,
            default => $method->required,
        };
        $values = array_map(
            static fn (Entry $reading): array => [
                'at' => $reading->at,
                'value' => $sign * ($reading->content['value'] ?? 0.0),
                'air_c' => $reading->content['air_c'] ?? null,
            ],
            $readings,
        );

        return new TestCurve($method, $wanted, $begun->at, $values, $isEnded, $this->log->now);
    }

    /** What is only looked at is judged by whoever looked: a check of the name of the test, said since it was begun. */
    private function looked(Entry $begun, TestKind $kind, bool $isEnded): CurveState
    {
        $check = $this->checks()[$kind->value] ?? null;

        return match (true) {
            $check !== null && $check->number > $begun->number => ($check->content['ok'] ?? false)
                ? CurveState::Passed
                : CurveState::Failed,
            $isEnded => CurveState::Ended,
            default => CurveState::Begun,
        };
    }
}
