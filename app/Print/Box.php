<?php

declare(strict_types=1);

namespace App\Print;

/** A place on a sheet: its upper left corner, and how wide and high it is, in mm. */
final readonly class Box
{
    public function __construct(
        public float $x,
        public float $y,
        public float $width = INF,
        public float $height = 0.0,
    ) {}

    /** Whether two places share any of the sheet. */
    public function meets(self $other): bool
    {
        return $this->x < $other->x + $other->width &&
            $other->x < $this->x + $this->width &&
            $this->y < $other->y + $other->height &&
            $other->y < $this->y + $this->height;
    }
}
