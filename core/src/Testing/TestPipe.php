<?php

declare(strict_types=1);

namespace FallBend\Core\Testing;

/** A straight length of pipe as water fills it. Heights and lengths in mm. */
final readonly class TestPipe
{
    /** Litres in a mm³. */
    private const LITRES = 1e-6;

    /**
     * @param string $run id of its run
     * @param float $lowMm height of the axis at its lower end
     * @param float $highMm and at its higher end
     * @param ?float $boreMm null: not stated
     */
    public function __construct(
        public string $run,
        public float $lowMm,
        public float $highMm,
        public float $lengthMm,
        public ?float $boreMm,
    ) {}

    /**
     * Gives the litres in it up to a level: π/4 of the square of the bore, times the length of axis below the level.
     * What stands above the axis at the level and below it outweigh each other. Fittings count as pipe of their leg.
     */
    public function litres(float $levelMm): float
    {
        return M_PI_4 * ($this->boreMm ?? 0.0) ** 2 * $this->filledMm($levelMm) * self::LITRES;
    }

    /** Gives how much of its length lies below a level. */
    public function filledMm(float $levelMm): float
    {
        $rise = $this->highMm - $this->lowMm;
        if ($rise <= 0.0) {
            return $levelMm >= $this->lowMm ? $this->lengthMm : 0.0;
        }

        return $this->lengthMm * max(0.0, min(1.0, ($levelMm - $this->lowMm) / $rise));
    }
}
