<?php

declare(strict_types=1);

namespace App\Print;

/** How words are set: their size in points, and whether they are bold. */
final readonly class Letters
{
    public function __construct(public float $points, public bool $isBold = false) {}
}
