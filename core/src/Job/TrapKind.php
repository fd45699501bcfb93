<?php

declare(strict_types=1);

namespace FallBend\Core\Job;

use FallBend\Core\Catalog\FixtureKind;

/** Kinds of traps under fixtures. */
enum TrapKind: string
{
    case P = 'p';
    case Integral = 'integral';
    case S = 's';
    case Bottle = 'bottle';
    case Drum = 'drum';
    case Bell = 'bell';
    case Running = 'running';
    case AntiSiphon = 'anti-siphon';
    case None = 'none';

    /** Gives the trap that a fixture is taken to have where nobody says which. */
    public static function usual(FixtureKind $fixture): self
    {
        return $fixture->hasIntegralTrap() ? self::Integral : self::P;
    }
}
