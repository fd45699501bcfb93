<?php

declare(strict_types=1);

namespace FallBend\Core\Testing;

/** How a test stands by its readings. */
enum CurveState: string
{
    /** Not up to what is wanted yet, or left alone first. */
    case Begun = 'begun';

    /** It holds so far. */
    case Holding = 'holding';

    /** Its time is over; the last reading is missing. */
    case ReadNow = 'read-now';

    case Passed = 'passed';

    case Failed = 'failed';

    /** What was shut in got warmer or colder: by its readings nobody can tell a leak from that. */
    case Unsteady = 'unsteady';

    /** It was ended before its time. */
    case Ended = 'ended';
}
