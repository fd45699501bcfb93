<?php

declare(strict_types=1);

namespace FallBend\Core\Layout;

use FallBend\Core\Geometry\Vec3;
use FallBend\Core\Measure\Tolerance;

/** How the water turns at a bend, in the words of the rulebooks. A leg is upright above 45° from level, else level. */
enum Orientation: string
{
    case LevelToUpright = 'level-upright';
    case UprightToLevel = 'upright-level';
    case LevelToLevel = 'level-level';
    case UprightToUpright = 'upright-upright';

    /** Says it in words: `level to upright`. */
    public function inWords(): string
    {
        return str_replace('-', ' to ', $this->value);
    }

    /** Gives the orientation of a turn from its directions in and out. */
    public static function of(Vec3 $in, Vec3 $out): self
    {
        return match ([self::isUpright($in), self::isUpright($out)]) {
            [false, true] => self::LevelToUpright,
            [true, false] => self::UprightToLevel,
            [false, false] => self::LevelToLevel,
            [true, true] => self::UprightToUpright,
        };
    }

    /**
     * sin 45°, with a hair of slack so that a 45° bend from level counts as level on both kinds of machine arithmetic.
     */
    public static function isUpright(Vec3 $direction): bool
    {
        return abs($direction->z) > M_SQRT1_2 + Tolerance::ROUNDING;
    }
}
