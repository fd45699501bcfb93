<?php

declare(strict_types=1);

namespace FallBend\Core\Testing;

use DateTimeImmutable;

/**
 * Judges a test by its readings. It is measured from the first reading that is up to what is wanted, once it was left
 * for as long as the book says, until the time of the book is over; meanwhile no reading falls by more than is allowed.
 * What lies within the error of reading is no loss.
 */
final readonly class TestCurve
{
    public CurveState $state;

    /** From when it is measured; null: not yet. */
    public ?DateTimeImmutable $from;

    /** Until when; null: not known yet. */
    public ?DateTimeImmutable $until;

    /** The largest loss since it is measured. */
    public float $loss;

    /**
     * @param ?float $wanted what a reading must be at least to begin with; null: nothing of the kind
     * @param list<array{at: DateTimeImmutable, value: float}> $readings in the order in which they were taken; losses
     *     of a drain that is topped up are below 0
     * @param bool $isEnded whether somebody ended it
     */
    public function __construct(
        private TestMethod $method,
        private ?float $wanted,
        DateTimeImmutable $begun,
        array $readings,
        bool $isEnded,
        DateTimeImmutable $now,
    ) {
        usort($readings, static fn (array $a, array $b): int => $a['at'] <=> $b['at']);
        $first = $this->first($begun, $readings);
        $this->from = $first['at'] ?? null;
        $this->until = $this->from === null || $method->minutes === null
            ? null
            : self::later($this->from, $method->minutes);
        [$failed, $passed, $loss] = [false, false, 0.0];
        foreach ($readings as $reading) {
            if ($first === null || $reading['at'] < $first['at'] || $passed || $failed) {
                continue;
            }
            $loss = max($loss, $first['value'] - $reading['value']);
            $failed = $loss > $method->lossMost + $method->error;
            $passed = ! $failed && $this->until !== null && $reading['at'] >= $this->until;
        }
        $this->loss = $loss;
        $this->state = match (true) {
            $failed => CurveState::Failed,
            $passed => CurveState::Passed,
            $isEnded => CurveState::Ended,
            $first === null => CurveState::Begun,
            $this->until !== null && $now >= $this->until => CurveState::ReadNow,
            default => CurveState::Holding,
        };
    }

    /** Gives from when it may be measured. */
    public static function later(DateTimeImmutable $at, float $minutes): DateTimeImmutable
    {
        return $at->modify('+'.(int) round($minutes * 60).' seconds');
    }

    /**
     * @param list<array{at: DateTimeImmutable, value: float}> $readings
     * @return array{at: DateTimeImmutable, value: float}|null the reading from which it is measured
     */
    private function first(DateTimeImmutable $begun, array $readings): ?array
    {
        $stood = self::later($begun, $this->method->standMin);
        foreach ($readings as $reading) {
            $isUp = $this->wanted === null || $reading['value'] >= $this->wanted - $this->method->error;
            if ($isUp && $reading['at'] >= $stood) {
                return $reading;
            }
        }

        return null;
    }
}
