<?php

declare(strict_types=1);

namespace FallBend\Core\MakeUp;

use FallBend\Core\Geometry\Vec3;

/** A joint that is still to be made between two pieces. */
final readonly class PlannedJoint
{
    /**
     * `push`: one part goes into the other along the axis; `slide`: a slip coupling is slid back and over; `roll`: a
     * sleeve is rolled back and over; `union`: faces meet under a nut.
     */
    public const KINDS = ['push', 'slide', 'roll', 'union'];

    /**
     * @param Vec3 $axis direction in which `b` moves on `a` when the joint is pushed home
     * @param float $depthMm how far it is pushed, or how far a coupling is slid back
     * @param value-of<self::KINDS> $kind
     * @param float $slideRoomMm of bare pipe beside it, that a coupling can be slid back on
     */
    public function __construct(
        public string $id,
        public string $a,
        public string $b,
        public Vec3 $axis,
        public float $depthMm,
        public string $kind,
        public float $slideRoomMm,
    ) {}

    /** Whether it can be made without either part moving along the pipe. */
    public function isFree(): bool
    {
        return match ($this->kind) {
            'slide' => $this->slideRoomMm >= $this->depthMm,
            'roll', 'union' => true,
            default => false,
        };
    }

    /**
     * The same joint made in another way: a slip coupling in place of a pushed joint is slid back by its whole length,
     * which is twice the depth.
     *
     * @param value-of<self::KINDS> $kind
     */
    public function as(string $kind): self
    {
        return new self(
            $this->id,
            $this->a,
            $this->b,
            $this->axis,
            $kind === 'slide' && $this->kind === 'push' ? 2 * $this->depthMm : $this->depthMm,
            $kind,
            $this->slideRoomMm,
        );
    }
}
