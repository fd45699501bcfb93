<?php

declare(strict_types=1);

namespace FallBend\Core\Joining;

/** What a joint comes to once something was wrong with it. */
enum Mending: string
{
    /** It is opened, or pushed on, and made again with the same parts. */
    case Again = 'again';

    /** It is lost, with the socket that it is in. */
    case CutOut = 'cut-out';
}
