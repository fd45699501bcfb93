<?php

declare(strict_types=1);

namespace App\Print;

/** How a line is drawn on paper: its width in mm, its grey from 0 (black) to 1, and how it is dashed, in mm. */
final readonly class Stroke
{
    /** @param list<float> $dashMm a dash, a gap, and so on; none: drawn through */
    public function __construct(public float $widthMm, public float $grey = 0.0, public array $dashMm = []) {}
}
