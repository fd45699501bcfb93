<?php

declare(strict_types=1);

namespace FallBend\Core\Testing;

use FallBend\Core\Job\RunEndKind;

/** An end of the pipes under test: it is plugged, or what is under test is filled there. */
final readonly class TestOpening
{
    /** N per mm² for every mm of water: ρ·g at 1,000 kg/m³ and 9.80665 m/s². */
    private const PUSH = 9.80665e-6;

    /**
     * @param string $run id of its run
     * @param string $what what it is called
     * @param float $heightMm of its axis
     * @param float $outsideMm of the pipe
     * @param ?float $boreMm null: not stated
     */
    public function __construct(
        public string $run,
        public string $what,
        public RunEndKind $kind,
        public string $size,
        public float $heightMm,
        public float $outsideMm,
        public ?float $boreMm,
    ) {}

    /** Gives the height of water above it, in mm. */
    public function headMm(float $levelMm): float
    {
        return max(0.0, $levelMm - $this->heightMm);
    }

    /**
     * Gives how hard the water pushes at what closes it, in N: head × ρ·g × area; of the pipe's outside where no bore
     * is stated.
     */
    public function pushN(float $levelMm): float
    {
        return self::PUSH * $this->headMm($levelMm) * M_PI_4 * ($this->boreMm ?? $this->outsideMm) ** 2;
    }

    /** Gives the pressure at it, in kPa. */
    public function pressureKpa(float $levelMm): float
    {
        return self::PUSH * $this->headMm($levelMm) * 1_000;
    }
}
