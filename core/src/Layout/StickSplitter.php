<?php

declare(strict_types=1);

namespace FallBend\Core\Layout;

use FallBend\Core\Measure\Tolerance;

/** Cuts a span that is longer than a stick into pieces with couplings between. */
final class StickSplitter
{
    /**
     * Whole sticks first, from upstream, then what is left; where that would be shorter than the least piece, the last
     * two share what they have.
     * The pieces and the stops of the couplings add up to the span.
     *
     * @param float $spanMm stop to stop
     * @param float $stickMm the longest piece
     * @param float $stopMm width of the stop of a coupling
     * @param float $leastMm the shortest piece
     * @return non-empty-list<float> mm
     */
    public static function split(float $spanMm, float $stickMm, float $stopMm, float $leastMm): array
    {
        $pieces = [];
        $left = $spanMm;
        while ($left > $stickMm + Tolerance::SUM) {
            $pieces[] = $stickMm;
            $left -= $stickMm + $stopMm;
        }
        if ($pieces !== [] && $left < $leastMm) {
            $both = array_pop($pieces) + $left;

            return [...$pieces, $both / 2, $both / 2];
        }
        $pieces[] = $left;

        return $pieces;
    }
}
