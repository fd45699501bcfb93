<?php

declare(strict_types=1);

namespace FallBend\Core\MakeUp;

use FallBend\Core\Geometry\Vec3;

/** One step of putting pieces together: some that are already one go onto others that are. */
final readonly class Move
{
    /**
     * @param list<string> $pieces that move
     * @param list<string> $joints that are made by it
     * @param ?Vec3 $along the direction in which they move; null where nothing has to, as a coupling is slid or rolled
     *     over
     * @param float $mm how far
     * @param bool $isOnBench none of them is where it will stay yet
     */
    public function __construct(
        public array $pieces,
        public array $joints,
        public ?Vec3 $along,
        public float $mm,
        public bool $isOnBench,
    ) {}
}
