<?php

declare(strict_types=1);

namespace FallBend\Core\Layout;

/** Why no branch fitting can stand at a junction. */
enum JunctionTrouble: string
{
    /** The branch would enter against the flow. */
    case AgainstFlow = 'against-flow';
    /** No branch fitting makes this angle. */
    case NoAngle = 'no-angle';
    /** The branch is larger than the pipe that it enters. */
    case Larger = 'larger';
    /** Two branches at one place do not lie opposite each other, or there are more than two. */
    case NotOpposite = 'not-opposite';
    /** The place is beyond the ends of the leg. */
    case OffLeg = 'off-leg';
    /** The catalogue has no branch fitting of these sizes. */
    case NoSuchFitting = 'no-such-fitting';
}
