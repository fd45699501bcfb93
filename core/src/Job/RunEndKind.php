<?php

declare(strict_types=1);

namespace FallBend\Core\Job;

/** What a run starts from or ends in, and how the pipe is received there. */
enum RunEndKind: string
{
    /** The pipe goes to the stop of a socket of its own system. */
    case Socket = 'socket';

    /** A trap adapter is joined to the pipe. */
    case TrapAdapter = 'trap-adapter';

    /** A coupling joins it to the cut face of a pipe of the same system. */
    case Plain = 'plain';

    /** A standing pipe of the job, joined by the method that is chosen, or else by the best that is offered. */
    case Standing = 'standing';

    /** The outlet of a trap. */
    case Fixture = 'fixture';

    /** A branch fitting in another run. */
    case Branch = 'branch';

    /** Another run goes on from here. */
    case Run = 'run';

    /** Open to the air. */
    case Roof = 'roof';

    /** An air admittance valve. */
    case Valve = 'valve';

    case Cleanout = 'cleanout';

    case Cap = 'cap';

    /** In the open over a trapped gully or receptor, where air meets the water. */
    case Gully = 'gully';
}
