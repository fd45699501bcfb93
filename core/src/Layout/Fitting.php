<?php

declare(strict_types=1);

namespace FallBend\Core\Layout;

use FallBend\Core\Catalog\Bend;
use FallBend\Core\Catalog\Branch;
use FallBend\Core\Catalog\StraightFitting;
use FallBend\Core\Geometry\Vec3;

/** A fitting where it lies. Points in mm, directions in the sense of flow, angles in degrees. */
final readonly class Fitting
{
    /**
     * @param string $key stable name of the place: the leg that it leads into and its part
     * @param int $leg number of the leg that it leads into (that it stands in, for a coupling along a leg)
     * @param Vec3 $at its centre; for a bushing the stop that it sits on
     * @param ?float $rollDeg only of bends
     * @param ?float $markMm the roll as a length round the outside of the pipe
     * @param ?Junction $junction only of branch fittings
     */
    public function __construct(
        public string $key,
        public int $leg,
        public Bend|StraightFitting|Branch $part,
        public Vec3 $at,
        public Vec3 $in,
        public Vec3 $out,
        public float $intoMm,
        public float $outOfMm,
        public float $strainDeg = 0.0,
        public ?float $rollDeg = null,
        public ?float $markMm = null,
        public bool $stands = false,
        public ?Junction $junction = null,
    ) {}
}
