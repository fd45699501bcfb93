<?php

declare(strict_types=1);

namespace FallBend\Core\Rules;

use FallBend\Core\Layout\LegLaid;

/** The fall of a pipe as the rules of falls judge it, whether it was laid out or only measured. */
final readonly class MeasuredFall
{
    /** Flatter than this counts as level: half a mm over a metre, either way. */
    public const LEVEL_MM_PER_M = 0.5;

    /**
     * @param float $mmPerM of plan
     * @param float $planMm length in plan
     */
    public function __construct(public float $mmPerM, public float $planMm, public string $size) {}

    /** Takes a leg; gives null of an upright one, which has no fall. */
    public static function of(LegLaid $leg): ?self
    {
        $fall = $leg->fallMmPerM();
        $plan = $leg->centreMm * cos(deg2rad($leg->line->dipDeg));

        return $fall === null ? null : new self($fall, $plan, $leg->line->size);
    }
}
