<?php

declare(strict_types=1);

namespace FallBend\Core\Network;

use FallBend\Core\Geometry\Vec3;
use FallBend\Core\Job\End;
use FallBend\Core\Layout\Junction;

/** A place where pipes of a network meet, begin or end. */
final readonly class Node
{
    /**
     * @param string $run id of the run that it stands in
     * @param float $tapeMm where on that run
     * @param Vec3 $at in the frame of the network
     * @param ?End $end of the run, where it begins or ends here
     * @param ?Junction $junction where a branch fitting stands, or should stand, here
     */
    public function __construct(
        public int $index,
        public string $run,
        public float $tapeMm,
        public Vec3 $at,
        public ?End $end,
        public ?Junction $junction,
    ) {}
}
