<?php

declare(strict_types=1);

namespace FallBend\Core\MakeUp;

use FallBend\Core\Catalog\Branch;
use FallBend\Core\Catalog\FixtureKind;
use FallBend\Core\Catalog\Nominal;
use FallBend\Core\Catalog\PipeSystem;
use FallBend\Core\Catalog\Rulebook;
use FallBend\Core\Geometry\Vec3;
use FallBend\Core\Job\TrapKind;

/**
 * What was measured of a trap between a tailpiece and an outlet, and how it lies by that. Lengths in mm; null: not
 * measured.
 */
final readonly class TrapMeasures
{
    /**
     * @param string $size of the outlet
     * @param TrapKind $pattern of the trap
     * @param Vec3 $tailAt the end of the tailpiece
     * @param Vec3 $outletAt where the outlet lies in the face of the wall or floor, on its axis
     * @param Vec3 $along direction of flow into it
     * @param ?float $depthMm of the outlet's socket
     * @param bool $isVented whether a vent goes up from a tee over the outlet
     * @param ?float $branchMm of that tee, as measured on it
     * @param ?float $runOutMm of that tee, as measured on it
     * @param ?float $tallMm from where the tailpiece comes to rest in the trap down to the axis of its outlet
     * @param ?float $reachMm from the axis of the tailpiece to the leg that the arm comes from
     * @param ?float $elbowMm from that leg to where the arm comes to rest
     * @param float $adjustMm by how much the trap itself can be drawn out
     * @param ?float $cabinetMm height of the floor of the cabinet
     */
    public function __construct(
        public Rulebook $rulebook,
        public FixtureKind $fixture,
        public PipeSystem $system,
        public string $size,
        public TrapKind $pattern,
        public string $trapSize,
        public string $tailSize,
        public float $tailLengthMm,
        public Vec3 $tailAt,
        public Vec3 $outletAt,
        public Vec3 $along,
        public ?float $depthMm,
        public bool $isVented,
        private ?float $branchMm,
        private ?float $runOutMm,
        public ?float $tallMm,
        public ?float $reachMm,
        public ?float $elbowMm,
        public ?float $sealMm,
        public float $adjustMm,
        public ?float $cabinetMm,
    ) {}

    /** Gives the fall of the arm: the least that the rulebook takes, in mm per m; null where it states none. */
    public function fallMmPerM(): ?float
    {
        return $this->rulebook->forSize('fall.least', $this->size, $this->system->key)?->value;
    }

    /**
     * Gives how the trap lies before its outlet; null while the trap is not measured, or its fall not known.
     */
    public function fit(): ?TrapFit
    {
        $fall = $this->fallMmPerM();

        return $this->tallMm === null || $this->reachMm === null || $fall === null
            ? null
            : new TrapFit($this->tailAt, $this->outletAt, $this->along, $this->tallMm, $this->reachMm, $fall);
    }

    /** Gives how it lies over an outlet in the floor with a vent; null where there is none. */
    public function riser(): ?TrapOverFloor
    {
        $fit = $this->fit();
        $least = ($this->rulebook->limit('trap-arm.least')->value ?? 0.0) * Nominal::mm($this->size);

        return $fit === null || ! $fit->isFloor() || ! $this->isVented
            ? null
            : new TrapOverFloor($this->tailAt, $this->outletAt, $fit->tallMm, $fit->reachMm, $fit->fallMmPerM, $least);
    }

    /** Gives the tee that goes over an outlet in the floor; null where the catalogue has none. */
    public function tee(): ?Branch
    {
        return $this->system->branches["san-tee/{$this->size}"] ?? null;
    }

    /** Gives what its branch takes: as measured, or as the catalogue has it; null where neither knows. */
    public function teeBranchMm(): ?float
    {
        $tee = $this->tee();

        return $this->branchMm ?? $tee?->branchMm;
    }

    /** Gives the same of its lower end. */
    public function teeOutMm(): ?float
    {
        $tee = $this->tee();

        return $this->runOutMm ?? $tee?->runOutMm;
    }

    /** Gives how far off what its tee takes may be: nothing where it is measured or stated. */
    public function teeDoubtMm(): float
    {
        $tee = $this->tee();

        return max(
            $this->branchMm === null ? $tee->branchDoubtMm ?? 0.0 : 0.0,
            $this->runOutMm === null ? $tee->runOutDoubtMm ?? 0.0 : 0.0,
        );
    }

    /** Gives how much higher the tailpiece ends than it should; null where that is not known. */
    public function highMm(): ?float
    {
        $riser = $this->riser();

        return $riser === null ? $this->fit()?->highMm : ($riser->armMm === null ? null : 0.0);
    }
}
