<?php

declare(strict_types=1);

namespace FallBend\Core\Venting;

use FallBend\Core\Network\Arm;

/** One method of venting that needs no pipe which brings air to the trap, with the conditions that books set for it. */
interface DrainWay
{
    /** Gives which of the methods of the books it is. */
    public function method(): VentMethod;

    /**
     * Holds the method against a trap that no dry vent meets.
     *
     * @return list<Shortfall>|null what is missing; none: the method vents it; null: the pipe is not of its shape
     */
    public function missing(Arm $arm): ?array;
}
