<?php

declare(strict_types=1);

namespace FallBend\Core\Job;

/** What a leg goes through or past. */
enum ObstacleKind: string
{
    case Joist = 'joist';

    case EngineeredJoist = 'joist-engineered';

    case Truss = 'truss';

    case Stud = 'stud';

    case Plate = 'plate';

    case Wall = 'wall';

    case Slab = 'slab';

    case Pipe = 'pipe';

    /** An unheated stretch. */
    case Cold = 'cold';

    /** A trap in the line. */
    case Trap = 'trap';

    /** An access in the line. */
    case Cleanout = 'cleanout';

    /** Whether it is timber that is drilled or notched as a joist is. */
    public function isJoist(): bool
    {
        return $this === self::Joist || $this === self::EngineeredJoist || $this === self::Truss;
    }
}
