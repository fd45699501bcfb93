<?php

declare(strict_types=1);

namespace FallBend\Core\Testing;

use DateTimeImmutable;

/**
 * Judges a test by its readings. It is measured from the first reading that is up to what is wanted, once it was left
 * for as long as the book says, until the time of the book is over; meanwhile no reading falls by more than is allowed.
 * What lies within the error of reading is no loss. Where a gas that is shut in got so much warmer or colder meanwhile
 * that this alone moves the gauge by more than is allowed, it is not judged: a leak that warmth hides is none the less
 * one, and cold is no leak.
 *
 * @phpstan-type CurveReading array{at: DateTimeImmutable, value: float, air_c: ?float}
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

    /** By how much what is shut in got warmer, °C, as far as it was read; null: not known, or it does not matter. */
    public ?float $warmedC;

    /**
     * @param ?float $wanted what a reading must be at least to begin with; null: nothing of the kind
     * @param list<CurveReading> $readings in the order in which they were taken, with the temperature where it was
     *     read; losses of a drain that is topped up are below 0
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
        [$failed, $passed, $loss, $warmed] = $this->held($readings, $first);
        $this->loss = $loss;
        $this->warmedC = $warmed;
        $this->state = match (true) {
            ($failed || $passed) && $this->isWarmth($loss) => CurveState::Unsteady,
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
     * @param list<CurveReading> $readings
     * @param CurveReading|null $first from which it is measured
     * @return array{bool, bool, float, ?float} whether it failed and whether it passed, the largest loss, by how much
     *     it got warmer
     */
    private function held(array $readings, ?array $first): array
    {
        [$failed, $passed, $loss, $warmed] = [false, false, 0.0, null];
        foreach ($readings as $reading) {
            if ($first === null || $reading['at'] < $first['at'] || $passed || $failed) {
                continue;
            }
            $loss = max($loss, $first['value'] - $reading['value']);
            $warmed = $this->warmed($first, $reading) ?? $warmed;
            $failed = $loss > $this->method->lossMost + $this->method->error;
            $passed = ! $failed && $this->until !== null && $reading['at'] >= $this->until;
        }

        return [$failed, $passed, $loss, $warmed];
    }

    /**
     * @param CurveReading $first
     * @param CurveReading $reading
     */
    private function warmed(array $first, array $reading): ?float
    {
        return $this->method->kind->isGas() && $first['air_c'] !== null && $reading['air_c'] !== null
            ? $reading['air_c'] - $first['air_c']
            : null;
    }

    /** Whether warmth alone moves the gauge by more than is allowed, and accounts for what was lost. */
    private function isWarmth(float $loss): bool
    {
        $warmed = abs($this->warmedC ?? 0.0);
        $moved = $warmed > $this->method->warmthErrorC ? $warmed * ($this->method->perDegree() ?? 0.0) : 0.0;
        $allowed = $this->method->lossMost + $this->method->error;

        return $moved > $allowed && $loss <= $allowed + $moved;
    }

    /**
     * @param list<CurveReading> $readings
     * @return CurveReading|null the reading from which it is measured
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
