<?php

declare(strict_types=1);

namespace FallBend\Core\Joining;

/** What the end of a pipe or a fitting is like where a joint is to be made. */
enum EndKind: string
{
    case Plain = 'plain';
    case Spigot = 'spigot';
    case Hub = 'hub';
    case Bell = 'bell';
    case SolventSocket = 'solvent-socket';
    case RingSocket = 'ring-socket';
    case FemaleThread = 'female-thread';
    case MaleThread = 'male-thread';
    case SlipNut = 'slip-nut';
    case Flange = 'flange';
    case Grooved = 'grooved';

    /** Whether it is the outside of a pipe, which a sleeve can hold or a socket can take. */
    public function isMale(): bool
    {
        return $this === self::Plain || $this === self::Spigot;
    }
}
