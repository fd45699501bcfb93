<?php

declare(strict_types=1);

namespace FallBend\Core\Layout;

use FallBend\Core\Catalog\Branch;
use FallBend\Core\Catalog\StraightFitting;

/** Where the end of a run comes to rest in a branch fitting of another run. */
final readonly class BranchSeat
{
    /**
     * @param float $takeMm from the centre of the fitting to the end of the pipe
     * @param bool $isKnown whether pipe can be cut to it
     * @param string $size of the opening
     * @param ?Branch $branch null where no fitting can stand there
     * @param ?StraightFitting $bushing where the pipe is smaller than the opening
     * @param ?Doubt $doubt how far off the take may be
     */
    public function __construct(
        public float $takeMm,
        public bool $isKnown,
        public string $size,
        public ?Branch $branch,
        public ?StraightFitting $bushing = null,
        public ?Doubt $doubt = null,
    ) {}

    /** The same seat with a bushing in it. */
    public function with(StraightFitting $bushing): self
    {
        return new self(
            $this->takeMm + $bushing->acrossMm,
            $this->isKnown,
            $this->size,
            $this->branch,
            $bushing,
            $this->doubt,
        );
    }

    /** The same seat at another depth, as the joint of two systems leaves it. */
    public function at(?float $takeMm): self
    {
        return new self(
            $takeMm ?? $this->takeMm,
            $this->isKnown && $takeMm !== null,
            $this->size,
            $this->branch,
            $this->bushing,
            $this->doubt,
        );
    }
}
