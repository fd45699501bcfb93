<?php

declare(strict_types=1);

namespace FallBend\Core\MakeUp;

use FallBend\Core\Joining\Offer;

/** One side of a fitting that is cut into a standing line: how its stub is joined to what stands. Lengths in mm. */
final readonly class CutSide
{
    /**
     * @param ?Offer $offer what joins the two cut ends; null: nothing does
     * @param ?float $insertionMm how far each end goes into the coupling; null: not known, to be measured on the one in
     *     hand
     * @param float $slideRoomMm bare pipe beside the cut, that the coupling can be slid back on
     * @param bool $isFixed what stands on this side cannot be drawn away
     */
    public function __construct(
        public ?Offer $offer,
        public ?float $insertionMm,
        public float $slideRoomMm,
        public bool $isFixed,
    ) {}

    /**
     * Gives how the coupling gets out of the way of the fitting: `slide` back on the pipe, `roll-back` on itself,
     * `draw` the pipe away, or null.
     */
    public function way(): ?string
    {
        return match (true) {
            $this->offer === null || $this->insertionMm === null => null,
            $this->slideRoomMm >= $this->needsMm() => 'slide',
            $this->offer->rolls() => 'roll-back',
            ! $this->isFixed => 'draw',
            default => null,
        };
    }

    /** Gives the bare pipe that the coupling takes to be slid back on: its whole length. */
    public function needsMm(): float
    {
        return 2 * ($this->insertionMm ?? 0.0) + ($this->offer->gapMm ?? 0.0);
    }

    /** Gives what is left between the two cut ends. */
    public function gapMm(): ?float
    {
        return $this->offer?->gapMm;
    }
}
