<?php

declare(strict_types=1);

namespace FallBend\Core\Layout;

use FallBend\Core\Geometry\Vec3;
use FallBend\Core\Job\Leg;

/** A leg with its direction of flow found: what the turns are worked out from. Degrees; dip is below level. */
final readonly class LegLine
{
    public Vec3 $direction;

    public function __construct(
        public int $number,
        public Leg $leg,
        public string $size,
        public float $headingDeg,
        public float $dipDeg,
    ) {
        $this->direction = Vec3::direction($headingDeg, $dipDeg);
    }
}
