<?php

declare(strict_types=1);

namespace FallBend\Core\MakeUp;

use FallBend\Core\Geometry\Vec3;

/** One of the two ends between which pipe is to be made up. */
final readonly class OpenEnd
{
    /** Ends that pipe goes into; the others are pipe themselves. */
    public const SOCKETS = ['hub', 'bell', 'solvent-socket', 'ring-socket', 'female-thread', 'slip-nut'];

    /**
     * @param Vec3 $at where the pipe comes to rest in a socket, or the cut face of a pipe
     * @param Vec3 $along direction of flow there
     * @param string $end how it ends: `hub`, `plain`, …, as the reckoner `joint` names them
     */
    public function __construct(
        public Vec3 $at,
        public Vec3 $along,
        public string $system,
        public string $size,
        public string $end,
    ) {}

    /** Whether pipe goes into it. */
    public function isSocket(): bool
    {
        return in_array($this->end, self::SOCKETS, true);
    }
}
