<?php

declare(strict_types=1);

namespace FallBend\Core\MakeUp;

use FallBend\Core\Geometry\Vec3;
use FallBend\Core\Measure\Tolerance;

/**
 * A trap over an outlet in the floor, with a vent where its arm turns down: a riser stands in the outlet, a sanitary
 * tee on the riser takes the arm at its branch, and the vent goes up
 * from the top of the tee. The riser is cut to the height of the trap, so the heights meet; the lower bend swings until
 * the arm is long enough. Lengths in mm.
 */
final readonly class TrapOverFloor
{
    /**
     * From the leg of the trap that the arm comes from to the axis of the riser; null where the arm would be shorter
     * than it may be however the bend is swung.
     */
    public ?float $armMm;

    /** From the face of the outlet up to where the axes of arm and riser cross; null with the arm. */
    public ?float $riserMm;

    /**
     * @param Vec3 $tail the end of the tailpiece
     * @param Vec3 $outlet where the outlet lies in the floor, on its axis
     * @param float $tallMm from where the tailpiece comes to rest in the trap down to the axis of its outlet, as
     *     measured
     * @param float $reachMm from the axis of the tailpiece to the leg that the arm comes from, as measured; 0 of a
     *     bottle trap
     * @param float $fallMmPerM of the arm
     * @param float $leastMm that the arm may not be shorter than, or the siphon is back
     */
    public function __construct(
        public Vec3 $tail,
        public Vec3 $outlet,
        public float $tallMm,
        public float $reachMm,
        public float $fallMmPerM,
        public float $leastMm,
    ) {
        $apart = hypot($outlet->x - $tail->x, $outlet->y - $tail->y);
        // The leg lies on a circle about the tailpiece: from the riser it is at least so far, at most so far, and
        // anything between.
        $arm = max(abs($apart - $reachMm), $leastMm);
        $this->armMm = $arm > $apart + $reachMm + Tolerance::TAPE_MM ? null : $arm;
        $this->riserMm = $this->armMm === null ? null : $tail->z - $tallMm - ($arm * $fallMmPerM) / 1000 - $outlet->z;
    }

    /**
     * Gives the pipe between the trap and the tee, stop to stop.
     *
     * @param ?float $elbowMm from the leg of the trap to where the arm comes to rest in it
     * @param ?float $branchMm from the crossing of the tee's axes to the stop in its branch
     */
    public function armCutMm(?float $elbowMm, ?float $branchMm): ?float
    {
        return $this->armMm === null || $elbowMm === null || $branchMm === null
            ? null
            : $this->armMm - $elbowMm - $branchMm;
    }

    /**
     * Gives the pipe between the outlet and the tee.
     *
     * @param ?float $runOutMm from the crossing of the tee's axes to the stop below it
     * @param ?float $depthMm how deep the pipe goes into the outlet
     */
    public function riserCutMm(?float $runOutMm, ?float $depthMm): ?float
    {
        return $this->riserMm === null || $runOutMm === null || $depthMm === null
            ? null
            : $this->riserMm - $runOutMm + $depthMm;
    }
}
