<?php

declare(strict_types=1);

namespace FallBend\Core\Flow;

use FallBend\Core\Catalog\Rulebook;

/** The flow that a drain is designed for: K·√ΣDU after BS EN 12056-2, never less than the largest single fixture. */
final class DesignFlow
{
    /**
     * @param float $load sum, in the unit of the rulebook: discharge units in l/s, or fixture units
     * @param list<float> $single the load of each fixture
     * @return float litres a second
     */
    public static function lPerS(float $load, array $single, Rulebook $rulebook): float
    {
        $unit = $rulebook->limit('flow.unit')->value ?? 1.0;
        $largest = $single === [] ? 0.0 : max($single) * $unit;

        return max($rulebook->number('flow.frequency') * sqrt($load * $unit), $largest);
    }
}
