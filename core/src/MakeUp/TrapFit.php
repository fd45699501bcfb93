<?php

declare(strict_types=1);

namespace FallBend\Core\MakeUp;

use FallBend\Core\Geometry\Vec3;
use FallBend\Core\Measure\Tolerance;

/**
 * A trap between the tailpiece of a fixture and an outlet in the wall or the floor. The lower bend swings about the
 * tailpiece, the upper one about its other leg; so the arm leads
 * straight into the wall wherever that lies no further to the side than the lower bend reaches. Heights: the arm rises
 * from the outlet by its fall, and the end of the tailpiece stands
 * over the outlet of the trap by what the trap is tall. Lengths in mm.
 */
final readonly class TrapFit
{
    /** How far to the side of the outlet's line the tailpiece hangs. */
    public float $asideMm;

    /** From the leg of the trap that the arm comes from to the face of the outlet; null where it cannot be reached. */
    public ?float $armMm;

    /**
     * How much higher the end of the tailpiece hangs than it should: extended where positive, shortened where negative;
     * null where it cannot be reached.
     */
    public ?float $highMm;

    /**
     * @param Vec3 $tail the end of the tailpiece
     * @param Vec3 $outlet where the outlet lies in the face of the wall or floor, on its axis
     * @param Vec3 $along direction of flow into it
     * @param float $tallMm from where the tailpiece comes to rest in the trap down to the axis of its outlet, as
     *     measured
     * @param float $reachMm from the axis of the tailpiece to the leg that the arm comes from, as measured; 0 of a
     *     bottle trap
     * @param float $fallMmPerM of the arm
     */
    public function __construct(
        public Vec3 $tail,
        public Vec3 $outlet,
        public Vec3 $along,
        public float $tallMm,
        public float $reachMm,
        public float $fallMmPerM,
    ) {
        $isFloor = $this->isFloor();
        $flat = $isFloor
            ? new Vec3(0.0, 0.0, 0.0)
            : (new Vec3($along->x, $along->y, 0.0))->unit() ?? new Vec3(0.0, 1.0, 0.0);
        $way = new Vec3($outlet->x - $tail->x, $outlet->y - $tail->y, 0.0);
        $ahead = $way->dot($flat);
        $this->asideMm = $isFloor ? $way->length() : abs($way->x * $flat->y - $way->y * $flat->x);
        if ($this->asideMm > $reachMm + Tolerance::TAPE_MM) {
            [$this->armMm, $this->highMm] = [null, null];

            return;
        }
        // The lower bend is swung toward the wall; away from it where the wall is nearer than that.
        $swing = sqrt(max(0.0, $reachMm ** 2 - $this->asideMm ** 2));
        $arm = $isFloor ? 0.0 : ($ahead - $swing >= 0 ? $ahead - $swing : $ahead + $swing);
        $this->armMm = $arm < 0 ? null : $arm;
        $this->highMm = $this->armMm === null ? null : $tail->z - ($outlet->z + ($arm * $fallMmPerM) / 1000 + $tallMm);
    }

    /** Whether the outlet leads down. */
    public function isFloor(): bool
    {
        return $this->along->z < -M_SQRT1_2;
    }
}
