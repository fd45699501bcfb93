<?php

declare(strict_types=1);

namespace FallBend\Core\Sequence;

/** Why a breath begins when it does, and not before. */
enum Cause: string
{
    /** It is the first: the day begins. */
    case Start = 'start';

    /** The line of the house is closed only then, or it waits for something that was made before. */
    case Release = 'release';

    /** What it needs has to set. */
    case Set = 'set';

    /** Hands are on something else. */
    case Hands = 'hands';
}
