<?php

declare(strict_types=1);

namespace FallBend\Core\Layout;

use FallBend\Core\Geometry\Vec3;
use FallBend\Core\Job\BranchAt;

/** A run that enters another one, or a vent that leaves it, as the other run sees it. */
final readonly class BranchEntry
{
    /**
     * @param string $run id of the run that enters or leaves
     * @param string $side `tie-in` of a run that enters, `outlet` of a vent that leaves
     * @param Vec3 $flow direction of flow in it at the fitting; in a vent water runs back down to the drain
     * @param string $size of its pipe there
     * @param string $system key
     * @param bool $isCloset it is the drain of a water closet
     */
    public function __construct(
        public string $run,
        public string $side,
        public BranchAt $at,
        public Vec3 $flow,
        public string $size,
        public string $system,
        public bool $isVent,
        public bool $isCloset,
    ) {}
}
