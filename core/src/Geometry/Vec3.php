<?php

declare(strict_types=1);

namespace FallBend\Core\Geometry;

use FallBend\Core\Measure\Tolerance;

/**
 * A point or direction: x east, y north, z up; points in mm, directions of length one.
 *
 * @phpstan-type Point array{x: float, y: float, z: float}
 */
final readonly class Vec3
{
    public function __construct(public float $x, public float $y, public float $z) {}

    /** @return Point */
    public function toArray(): array
    {
        return ['x' => $this->x, 'y' => $this->y, 'z' => $this->z];
    }

    /**
     * Gives the direction of flow of a leg.
     *
     * @param float $headingDeg clockwise from north, in plan
     * @param float $dipDeg below level; −90 straight up, 90 straight down
     */
    public static function direction(float $headingDeg, float $dipDeg): self
    {
        $level = cos(deg2rad($dipDeg));

        return new self($level * sin(deg2rad($headingDeg)), $level * cos(deg2rad($headingDeg)), -sin(deg2rad($dipDeg)));
    }

    /** Gives the heading of this direction, clockwise from north in plan, 0 to 360; the inverse of `direction`. */
    public function headingDeg(): float
    {
        return fmod(rad2deg(atan2($this->x, $this->y)) + 360.0, 360.0);
    }

    /** Gives how far this direction dips below level, −90 to 90 degrees; the inverse of `direction`. */
    public function dipDeg(): float
    {
        return rad2deg(asin(max(-1.0, min(1.0, -$this->z))));
    }

    /** The direction straight up. */
    public static function up(): self
    {
        return new self(0.0, 0.0, 1.0);
    }

    /** The direction north, level. */
    public static function north(): self
    {
        return new self(0.0, 1.0, 0.0);
    }

    /** Gives the sum. */
    public function plus(self $o): self
    {
        return new self($this->x + $o->x, $this->y + $o->y, $this->z + $o->z);
    }

    /** Gives this less the other: from the other to this, for points. */
    public function minus(self $o): self
    {
        return new self($this->x - $o->x, $this->y - $o->y, $this->z - $o->z);
    }

    /** Gives this, that many times as long; turned round for a negative number. */
    public function times(float $k): self
    {
        return new self($this->x * $k, $this->y * $k, $this->z * $k);
    }

    /** Gives the scalar product: the cosine of the angle between two directions. */
    public function dot(self $o): float
    {
        return $this->x * $o->x + $this->y * $o->y + $this->z * $o->z;
    }

    /**
     * Gives the vector product, right-handed: square to both, as long as the sine of the angle between two directions.
     */
    public function cross(self $o): self
    {
        return new self(
            $this->y * $o->z - $this->z * $o->y,
            $this->z * $o->x - $this->x * $o->z,
            $this->x * $o->y - $this->y * $o->x,
        );
    }

    /** Gives the length, in mm for points. */
    public function length(): float
    {
        return sqrt($this->dot($this));
    }

    /** Gives the direction of this vector, or null where it has no length to speak of (below 1e-9). */
    public function unit(): ?self
    {
        $length = $this->length();

        return $length < Tolerance::ROUNDING ? null : $this->times(1 / $length);
    }

    /** Gives the part of this vector that is square to the given direction, of length one; null where there is none. */
    public function squareTo(self $axis): ?self
    {
        return $this->minus($axis->times($this->dot($axis)))->unit();
    }

    /** Gives the angle to another direction in degrees, 0 to 180; exact near 0 and 180, where a cosine is not. */
    public function angleTo(self $o): float
    {
        return rad2deg(atan2($this->cross($o)->length(), $this->dot($o)));
    }
}
