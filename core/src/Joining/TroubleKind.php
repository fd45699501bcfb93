<?php

declare(strict_types=1);

namespace FallBend\Core\Joining;

/** What can be wrong with a joint. */
enum TroubleKind: string
{
    /** The pipe is not in as far as its mark. */
    case NotHome = 'not-home';

    /** It was moved before it had set, or crept out. */
    case Moved = 'moved';

    /** The cement had taken before it was home. */
    case TooLate = 'too-late';

    /** A fitting faces the wrong way. */
    case WrongWay = 'wrong-way';

    /** Water or air comes out. */
    case Leaks = 'leaks';
}
