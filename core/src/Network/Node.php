<?php

declare(strict_types=1);

namespace FallBend\Core\Network;

use FallBend\Core\Geometry\Vec3;
use FallBend\Core\Job\End;
use FallBend\Core\Layout\Junction;

/** A place where pipes of a network meet, begin or end. */
final class Node
{
    /** @var list<Segment> that flow into it */
    public array $in = [];

    /** @var list<Segment> that flow out of it: one of a drain; where vents part, the run that it stands in first */
    public array $out = [];

    /** The best way for air to come here; null: none. */
    public ?Air $air = null;

    /**
     * @param string $run id of the run that it stands in
     * @param float $tapeMm where on that run
     * @param Vec3 $at in the frame of the network
     * @param ?End $end of the run, where it begins or ends here
     * @param ?Junction $junction where a branch fitting stands, or should stand, here
     */
    public function __construct(
        public readonly int $index,
        public readonly string $run,
        public readonly float $tapeMm,
        public readonly Vec3 $at,
        public readonly ?End $end,
        public readonly ?Junction $junction,
    ) {}

    /** Gives the segment that waste leaves by, or null. */
    public function drain(): ?Segment
    {
        return $this->out[0] ?? null;
    }
}
