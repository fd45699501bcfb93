<?php

declare(strict_types=1);

namespace FallBend\Core\Site;

/** What an entry of the log of a job says. */
enum EntryKind: string
{
    /** A piece was cut, and how long it came out; without a length: it is still to be cut after all. */
    case Cut = 'cut';

    /** The cut ticket of a run was put on paper: somebody may cut by it. */
    case Printed = 'printed';

    /** What was measured at a hanger from the string down to the crown; without it: nothing stands there any more. */
    case Level = 'level';

    /** What was read and seen of a pipe that stands already, all that stands by now. */
    case Measured = 'measured';

    /** A joint was tried dry and marked. */
    case DryFit = 'dry-fit';

    /** A joint was made: it was let go of. */
    case Joint = 'joint';

    /** What was seen of a joint once it was made. */
    case Seen = 'seen';

    /** Something is wrong with a joint. */
    case Trouble = 'trouble';

    /** A joint was opened or cut out: it is to be made again. */
    case CutOut = 'cut-out';

    /** A test was begun. */
    case TestBegun = 'test-begun';

    /** A gauge was read in a test. */
    case Reading = 'reading';

    /** A test was ended before its time. */
    case TestEnded = 'test-ended';

    /** A joint was looked at and felt while it was tested. */
    case Walk = 'walk';

    /** Something else that a test asks for was done. */
    case Check = 'check';

    /** Where a joint lies that is covered: from two fixed points, and how deep. */
    case Located = 'located';

    /** What lies in the ground was found and marked before anybody dug for a run: by whom, and how, in `note`. */
    case Services = 'services';

    /** A picture of a joint, or of the whole. */
    case Photograph = 'photograph';

    /** Somebody stands for what is recorded so far. */
    case Signed = 'signed';

    /** Words. */
    case Note = 'note';

    /** An entry before was wrong. */
    case TakenBack = 'taken-back';
}
