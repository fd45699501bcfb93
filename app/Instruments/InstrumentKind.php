<?php

declare(strict_types=1);

namespace App\Instruments;

/** What an instrument measures. */
enum InstrumentKind: string
{
    /** Slope. */
    case Level = 'level';

    /** Length, by laser. */
    case Distance = 'distance';

    /** Outside diameter. */
    case Calliper = 'calliper';

    /** Air, with its humidity. */
    case Thermometer = 'thermometer';

    case Torque = 'torque';

    /** Low pressure, by the difference of two columns of water. */
    case Gauge = 'gauge';

    /** How far a camera is in a pipe. */
    case Camera = 'camera';

    /** Gives the unit in which a stand-in reads it. */
    public function unit(): string
    {
        return match ($this) {
            self::Level => 'mm/m',
            self::Distance, self::Calliper, self::Camera => 'mm',
            self::Thermometer => '°C',
            self::Torque => 'N·m',
            self::Gauge => 'mmH2O',
        };
    }
}
