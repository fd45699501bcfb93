<?php

declare(strict_types=1);

namespace FallBend\Core\Catalog;

use FallBend\Core\Input\BadInput;
use FallBend\Core\Input\Fields;

/**
 * One branch fitting of one pair of sizes. Lengths in mm from where the axes cross to where the end of the pipe comes
 * to rest: up the run, down the run, along the branch. Where the catalogue states none, a length is reckoned, and its
 * doubt says how far off it may be: a piece is cut longer by it, and trimmed after the dry fit.
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
        public float $runInDoubtMm,
        public float $runOutDoubtMm,
        public float $branchDoubtMm,
        public Provenance $provenance,
        private bool $isHubbed,
    ) {}

    /**
     * Gives what it is measured like: a `branch`, to its three stops; a `hub-branch`, to the bottoms of its hubs and
     * the end of its spigot.
     *
     * @return 'branch'|'hub-branch'
     */
    public function measuredLike(): string
    {
        return $this->isHubbed ? 'hub-branch' : 'branch';
    }

    /**
     * @param array{
     *     run_in_mm: DerivedLength,
     *     run_out_mm: DerivedLength,
     *     branch_mm: DerivedLength,
     *     is_hubbed: bool,
     * } $lengths as `BranchLengths` gives them
     * @param float $gapMm how far the end of the pipe stands off the fitting in a joint of this system
     *
     * @throws BadInput
     */
    public static function read(Fields $row, string $table, array $lengths, float $gapMm = 0.0): self
    {
        $provenance = Provenance::read($row, $table);

        return new self(
            $row->string('id'),
            $row->string('pattern'),
            $row->string('size'),
            $row->string('branch_size'),
            $row->bool('double', false),
            $row->strings('branch_systems'),
            $row->string('name'),
            $row->string('maker_name'),
            $row->number('turn_deg', 1, 95),
            $lengths['run_in_mm']->mm + $gapMm,
            $lengths['run_out_mm']->mm + $gapMm,
            $lengths['branch_mm']->mm + $gapMm,
            $lengths['run_in_mm']->doubtMm,
            $lengths['run_out_mm']->doubtMm,
            $lengths['branch_mm']->doubtMm,
            self::said($lengths) === '' ? $provenance : $provenance->reckoned(self::said($lengths)),
            $lengths['is_hubbed'],
        );
    }

    /** Gives its sizes as they are written before its name: of the run, and of the branch where that is other. */
    public function sizeInWords(): string
    {
        return $this->branchSize === $this->size ? $this->size : "{$this->size} × {$this->branchSize}";
    }

    /** Gives how far off the length that is least sure may be, mm. */
    public function mostDoubtMm(): float
    {
        return max($this->runInDoubtMm, $this->runOutDoubtMm, $this->branchDoubtMm);
    }

    /** @param array{run_in_mm: DerivedLength, run_out_mm: DerivedLength, branch_mm: DerivedLength, ...} $lengths */
    private static function said(array $lengths): string
    {
        $said = [];
        foreach (['run_in_mm' => 'inlet', 'run_out_mm' => 'outlet', 'branch_mm' => 'branch'] as $name => $end) {
            if ($lengths[$name]->formula !== '') {
                $said[] = "{$end} {$lengths[$name]->formula}";
            }
        }

        return implode('; ', $said);
    }
}
