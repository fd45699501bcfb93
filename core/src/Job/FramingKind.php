<?php

declare(strict_types=1);

namespace FallBend\Core\Job;

/** What stands at even distances along a leg, that pipe is fixed to. */
enum FramingKind: string
{
    /** Over it. */
    case Joist = 'joist';

    /** Beside it. */
    case Stud = 'stud';
}
