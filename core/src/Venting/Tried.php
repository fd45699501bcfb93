<?php

declare(strict_types=1);

namespace FallBend\Core\Venting;

use FallBend\Core\Catalog\Rulebook;
use FallBend\Core\Catalog\Threshold;
use FallBend\Core\Verdict\Wording;

/** A method of venting that was held against a trap. */
final readonly class Tried
{
    /**
     * @param list<Shortfall> $missing what keeps the trap from being vented so; none: it is
     * @param Threshold $row of the book, that says that it has the method
     * @param bool $isJudged false: the book has the method, and whether its conditions hold is not judged here
     */
    public function __construct(
        public VentMethod $method,
        public array $missing,
        public Threshold $row,
        public bool $isJudged,
    ) {}

    /**
     * Holds a method against a trap; null where the book does not have it, or the pipe is not of its shape.
     *
     * @param callable(): (list<Shortfall>|null) $missing what it lacks; null: the pipe is not of its shape
     */
    public static function of(VentMethod $method, Rulebook $rulebook, callable $missing): ?self
    {
        $row = $rulebook->threshold("venting.{$method->value}");
        $lacks = $row === null || $row->value === 0.0 ? null : $missing();

        return $row === null || $lacks === null ? null : new self($method, $lacks, $row, $row->value !== null);
    }

    /** @return list<string> what is missing, in words */
    public function missingInWords(): array
    {
        return array_map(static fn (Shortfall $one): string => Wording::step($one->step()), $this->missing);
    }

    /** Whether it may be vented so: all that is missing is that something is not known, or that it is not judged. */
    public function isOpen(): bool
    {
        foreach ($this->missing as $one) {
            if (! $one->isQuestion()) {
                return false;
            }
        }

        return ! $this->carries();
    }

    /** Whether the trap is vented so. */
    public function carries(): bool
    {
        return $this->isJudged && $this->missing === [];
    }
}
