<?php

declare(strict_types=1);

namespace FallBend\Core\Job;

/** Something that a leg goes through or past. Lengths in mm; null where nobody measured. */
final readonly class Obstacle
{
    public const CUTS = ['hole', 'notch'];

    /**
     * @param float $atMm along the leg from its reference point, to the middle of the first one
     * @param ?float $everyMm distance to the next one, where there are several
     * @param ?float $depthMm of a joist from edge to edge; width of a stud or plate across the wall
     * @param ?float $thickMm along the pipe
     * @param ?float $topMm from the upper edge (the face, for a stud) to the middle of the pipe at the first one
     * @param string $cut one of CUTS
     * @param ?float $spanMm of the joist between its bearings
     * @param ?float $bearingMm from the nearer bearing
     * @param bool $isBearing a bearing wall
     * @param bool $isRated rated for fire
     * @param bool $isSealed by a listed system
     * @param ?float $allowedMm the largest hole that the maker of an engineered joist allows there
     * @param ?float $gapMm least distance from the outside of the pipe to it
     * @param ?float $lengthMm of an unheated stretch
     */
    public function __construct(
        public string $id,
        public ObstacleKind $kind,
        public string $what,
        public string $run,
        public string $leg,
        public float $atMm,
        public ?float $everyMm = null,
        public int $count = 1,
        public ?float $depthMm = null,
        public ?float $thickMm = null,
        public ?float $topMm = null,
        public string $cut = 'hole',
        public ?float $spanMm = null,
        public ?float $bearingMm = null,
        public bool $isBearing = false,
        public bool $isRated = false,
        public bool $isSealed = false,
        public ?float $allowedMm = null,
        public ?float $gapMm = null,
        public ?float $lengthMm = null,
    ) {}

    /** The same on another run. */
    public function on(string $run, string $id): self
    {
        // @phpstan-ignore argument.type (its own properties, by their names)
        return new self(...['run' => $run, 'id' => $id] + get_object_vars($this));
    }
}
