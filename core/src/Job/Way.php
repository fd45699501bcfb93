<?php

declare(strict_types=1);

namespace FallBend\Core\Job;

/** Which way a leg goes: by the compass, by a turn from the leg before, or straight up or down. */
enum Way: string
{
    /** Straight on, with the same steepness as the leg before unless a fall is given. */
    case On = 'on';
    /** Level, in the last level heading. */
    case Ahead = 'ahead';
    case Back = 'back';
    case Left = 'left';
    case Right = 'right';
    case Up = 'up';
    case Down = 'down';
    case North = 'north';
    case East = 'east';
    case South = 'south';
    case West = 'west';

    /** Whether an angle can be said with it. */
    public function takesAngle(): bool
    {
        return in_array($this, [self::Left, self::Right, self::Up, self::Down], true);
    }

    /** Whether the steepness comes from the way itself and not from a fall. */
    public function isUpright(): bool
    {
        return $this === self::Up || $this === self::Down;
    }

    /** Gives the new heading in degrees clockwise from north, from the last one. */
    public function heading(float $last, float $turnDeg): float
    {
        $heading = match ($this) {
            self::North => 0.0,
            self::East => 90.0,
            self::South => 180.0,
            self::West => 270.0,
            self::Left => $last - $turnDeg,
            self::Right => $last + $turnDeg,
            self::Back => $last + 180.0,
            default => $last,
        };

        return fmod(fmod($heading, 360.0) + 360.0, 360.0);
    }
}
