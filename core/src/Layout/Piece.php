<?php

declare(strict_types=1);

namespace FallBend\Core\Layout;

use FallBend\Core\Geometry\Vec3;

/**
 * A piece of pipe to cut. `cutMm` is end to end, which is stop to stop; the depths tell how far in the lip of each
 * socket is. Where `isCutKnown` is false something at its ends is not measured yet, and nothing is to be cut by it.
 * Where it ends in fittings whose lengths are reckoned it may have to be longer or shorter by its doubt: it is cut long
 * by that, and trimmed after the dry fit. A piece with a hub has no line at that end: what goes into it has.
 */
final readonly class Piece
{
    public function __construct(
        public string $key,
        public string $letter,
        public int $leg,
        public string $size,
        public float $cutMm,
        public float $leastMm,
        public Vec3 $from,
        public Vec3 $direction,
        public float $depthFromMm,
        public float $depthToMm,
        public string $jointFrom,
        public string $jointTo,
        public bool $isBetweenPair = false,
        public bool $isCutKnown = true,
        public ?Doubt $doubt = null,
        public ?PieceHub $hub = null,
    ) {}

    /**
     * Gives how far from the face of its hub it is cut, mm; null of a piece that has no hub.
     *
     * @param float $cutMm from the bottom of the hub
     */
    public function fromFaceMm(float $cutMm): ?float
    {
        return $this->hub === null ? null : $cutMm + $this->hub->depthMm;
    }

    /** Gives how far off its length may be by the fittings that it ends in, mm. */
    public function doubtMm(): float
    {
        return $this->doubt->mm ?? 0.0;
    }

    /** Gives its downstream end. */
    public function to(): Vec3
    {
        return $this->from->plus($this->direction->times($this->cutMm));
    }
}
