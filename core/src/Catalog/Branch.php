<?php

declare(strict_types=1);

namespace FallBend\Core\Catalog;

use FallBend\Core\Input\BadInput;
use FallBend\Core\Input\Fields;

/**
 * One branch fitting of one pair of sizes. Lengths in mm from where the axes cross to where the end of the pipe comes
 * to rest: up the run, down the run,
 * along the branch. Where the catalogue states none, a length is drawn from the bores, and `isRunKnown` or
 * `isBranchKnown` is false: nothing is cut by it.
 */
final readonly class Branch implements Storable
{
    use StoredRow;

    /** Patterns that carry no waste. */
    public const DRY = ['vent-tee'];

    /**
     * @param float $turnDeg between the flow in the branch and the flow in the run
     * @param bool $isDouble a branch on either side
     * @param list<string> $branchSystems systems that the branch takes, where they are not the fitting's own
     */
    private function __construct(
        public string $id,
        public string $pattern,
        public string $size,
        public string $branchSize,
        public bool $isDouble,
        public array $branchSystems,
        public string $name,
        public string $makerName,
        public float $turnDeg,
        public float $runInMm,
        public float $runOutMm,
        public float $branchMm,
        public bool $isRunKnown,
        public bool $isBranchKnown,
        public Provenance $provenance,
    ) {}

    /**
     * @param float $boreMm of the run
     * @param float $branchBoreMm of the branch
     * @param float $gapMm how far the end of the pipe stands off the fitting in a joint of this system
     *
     * @throws BadInput
     */
    public static function read(
        Fields $row,
        string $table,
        float $boreMm,
        float $branchBoreMm,
        float $gapMm = 0.0,
    ): self {
        $turn = $row->number('turn_deg', 1, 95);
        $runIn = $row->numberOrNull('run_in_mm', 0, 2000);
        $runOut = $row->numberOrNull('run_out_mm', 0, 2000);
        $branch = $row->numberOrNull('branch_mm', 0, 2000);
        // For drawing only: the branch leaves the run where their bores part, (R + r·cos t) / sin t from the crossing
        // of the axes.
        $parts = ($boreMm / 2 + ($branchBoreMm / 2) * cos(deg2rad($turn))) / sin(deg2rad($turn));

        return new self(
            $row->string('id'),
            $row->string('pattern'),
            $row->string('size'),
            $row->string('branch_size'),
            $row->bool('double', false),
            $row->strings('branch_systems'),
            $row->string('name'),
            $row->string('maker_name'),
            $turn,
            ($runIn ??
                $branchBoreMm / 2 / sin(deg2rad($turn)) +
                    ($turn < 60 ? $parts * cos(deg2rad($turn)) * 0.9 : $boreMm * 0.2)) +
                $gapMm,
            ($runOut ?? $branchBoreMm / 2 / sin(deg2rad($turn)) + $boreMm * ($turn < 60 ? 0.05 : 0.35)) + $gapMm,
            ($branch ?? $parts * ($turn < 60 ? 1.05 : 1.3)) + $gapMm,
            $runIn !== null && $runOut !== null,
            $branch !== null,
            Provenance::read($row, $table),
        );
    }
}
