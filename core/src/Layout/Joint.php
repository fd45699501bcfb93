<?php

declare(strict_types=1);

namespace FallBend\Core\Layout;

use FallBend\Core\Geometry\Vec3;

/** A joint to make: where a pipe end, a spigot or a bushing comes to rest in a socket. */
final readonly class Joint
{
    /**
     * @param int $number within its run, by which the log knows it
     * @param string $mark what is written on the pipe beside it
     * @param ?string $fitting key of the fitting whose socket it is; null at the outlet and at the tie-in
     * @param Vec3 $at the stop, on the axis
     * @param float $tapeMm how far along the run, from the outlet
     */
    public function __construct(
        public string $key,
        public int $number,
        public string $mark,
        public int $leg,
        public ?string $fitting,
        public string $size,
        public Vec3 $at,
        public float $tapeMm,
        public float $depthMm,
        public float $strainDeg,
    ) {}
}
