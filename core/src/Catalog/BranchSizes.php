<?php

declare(strict_types=1);

namespace FallBend\Core\Catalog;

/**
 * The pipes of a branch fitting, as far as its lengths follow from them: radii in mm, which of a ring-sealed fitting
 * are those of its sockets.
 */
final readonly class BranchSizes
{
    /**
     * @param float $runMm radius of the run outside
     * @param float $branchMm radius of the branch outside
     * @param float $runBoreMm radius of the bore of the run
     * @param float $branchBoreMm radius of the bore of the branch
     * @param float $runSeatMm what a coupling takes of the end of the run, of a fitting with cut ends
     * @param float $branchSeatMm the same of the branch
     * @param ?float $spigotMm straight of the spigot at the outlet, of a fitting of hub-and-spigot pipe
     * @param string $bendSize the size whose bends the branch is swept like
     */
    public function __construct(
        public BranchKind $kind,
        public float $turnDeg,
        public float $runMm,
        public float $branchMm,
        public float $runBoreMm,
        public float $branchBoreMm,
        public float $runSeatMm,
        public float $branchSeatMm,
        public string $bendSize,
        public ?float $spigotMm = null,
    ) {}

    /** What comes on top of the outlet beyond the crotch or the sweep: the seat of a coupling, or a spigot; mm. */
    public function outletSeatMm(): float
    {
        return $this->spigotMm ?? $this->runSeatMm;
    }
}
