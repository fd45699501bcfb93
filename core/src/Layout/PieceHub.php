<?php

declare(strict_types=1);

namespace FallBend\Core\Layout;

/**
 * The hub that a piece of hub-and-spigot pipe keeps at its upper end: the spigot of what comes before stands in it. The
 * cut length of the piece runs from the bottom of the hub.
 */
final readonly class PieceHub
{
    /**
     * @param bool $isAtStart where the run begins its piece; not so in a run that is called out against the flow
     * @param float $depthMm from its face to its bottom
     */
    public function __construct(public bool $isAtStart, public float $depthMm) {}
}
