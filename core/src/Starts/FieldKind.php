<?php

declare(strict_types=1);

namespace FallBend\Core\Starts;

/** What is asked for in a field of a start. */
enum FieldKind: string
{
    /** A length, as the tape says it. */
    case Length = 'length';

    /** One of some words. */
    case Choice = 'choice';

    /** A pipe of the catalogue: its system and its size. */
    case Pipe = 'pipe';

    /** An angle in degrees. */
    case Angle = 'angle';
}
