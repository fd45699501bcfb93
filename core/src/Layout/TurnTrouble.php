<?php

declare(strict_types=1);

namespace FallBend\Core\Layout;

/** Why no fitting makes a turn. */
enum TurnTrouble: string
{
    /** No bend and no pair of the catalogue reaches the angle. */
    case OutOfReach = 'out-of-reach';
    /** The pair that was asked for does not reach the angle. */
    case PairOutOfReach = 'pair-out-of-reach';
    /** The catalogue has no such fitting in this size. */
    case NoSuchFitting = 'no-such-fitting';
    /** The leg before is close, and what stands at its end has no spigot. */
    case NothingToStand = 'nothing-to-stand';
}
