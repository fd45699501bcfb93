<?php

declare(strict_types=1);

namespace FallBend\Core\Layout;

use FallBend\Core\Catalog\Bend;
use FallBend\Core\Catalog\Branch;

/** How far off a length may be that runs to fittings whose lengths are reckoned, mm; and which fittings those are. */
final readonly class Doubt
{
    /** @param list<Bend|Branch> $parts that it comes from; none where it is nothing */
    private function __construct(public float $mm, public array $parts) {}

    /** No doubt: what the length runs to is stated, or was measured. */
    public static function none(): self
    {
        return new self(0.0, []);
    }

    /** That of one end at a fitting, mm. */
    public static function of(float $mm, Bend|Branch $part): self
    {
        return $mm > 0.0 ? new self($mm, [$part]) : self::none();
    }

    /** That of a length between two ends: both may be off the same way, as two fittings of one row are. */
    public function plus(self $other): self
    {
        return match (true) {
            $other->parts === [] => $this,
            $this->parts === [] => $other,
            default => new self($this->mm + $other->mm, [...$this->parts, ...$other->parts]),
        };
    }
}
