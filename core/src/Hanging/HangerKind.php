<?php

declare(strict_types=1);

namespace FallBend\Core\Hanging;

use FallBend\Core\Job\FramingKind;

/** How a hanger is fixed. */
enum HangerKind: string
{
    /** From a joist that is there. */
    case Joist = 'joist';

    /** From a batten that is let in between two joists. */
    case Batten = 'batten';

    /** To a stud that is there. */
    case Stud = 'stud';

    /** To blocking that is let in between two studs. */
    case Blocking = 'blocking';

    /** From whatever is over it. */
    case Hanger = 'hanger';

    /** To the wall. */
    case Bracket = 'bracket';

    /** Round the pipe, resting on a floor. */
    case Clamp = 'clamp';

    /** To the wall; the pipe slides in it. */
    case Guide = 'guide';

    /** Gives the kind on a joist or stud that is there. */
    public static function on(FramingKind $framing): self
    {
        return $framing === FramingKind::Joist ? self::Joist : self::Stud;
    }

    /** Gives the kind on what is let in between two of them. */
    public static function between(FramingKind $framing): self
    {
        return $framing === FramingKind::Joist ? self::Batten : self::Blocking;
    }
}
