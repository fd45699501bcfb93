<?php

declare(strict_types=1);

namespace FallBend\Core\Effort;

use Closure;

/**
 * How much work a search may do, counted in its own steps. Every search spends as it goes and stops with the best it
 * has once
 * nothing is left. Besides, whoever asks may say that time or memory is over; this is asked now and then, so that the
 * same
 * question has the same answer everywhere as long as it ends in time.
 */
final class Effort
{
    /** So many steps of a search are made between two questions whether it is over. */
    private const EVERY = 200;

    private int $spent = 0;

    private int $askAt = self::EVERY;

    private bool $isOver = false;

    /** @param ?Closure(): bool $over */
    private function __construct(private readonly int $most, private readonly ?Closure $over) {}

    /**
     * @param int $most steps
     * @param ?Closure(): bool $over whether time or memory is over; null: nobody looks
     */
    public static function of(int $most, ?Closure $over = null): self
    {
        return new self($most, $over);
    }

    /** As much as it takes, until whoever asks says that it is over. */
    public static function unlimited(?Closure $over = null): self
    {
        return new self(PHP_INT_MAX, $over);
    }

    /** Another count that ends, too, when this one's time or memory is over: for one part of a question. */
    public function part(int $most): self
    {
        return new self($most, fn (): bool => ! $this->spend(0));
    }

    /** Spends steps; false once nothing is left, from then on for good. */
    public function spend(int $steps = 1): bool
    {
        $this->spent += $steps;
        if ($this->spent > $this->most) {
            $this->isOver = true;
        }
        if (! $this->isOver && $this->over !== null && ($steps === 0 || $this->spent >= $this->askAt)) {
            $this->askAt = $this->spent + self::EVERY;
            $this->isOver = ($this->over)();
        }

        return ! $this->isOver;
    }

    /** Whether nothing is left: what was found may not be all, or not the best. */
    public function isSpent(): bool
    {
        return $this->isOver;
    }

    /** Gives how many steps were made. */
    public function spent(): int
    {
        return $this->spent;
    }
}
