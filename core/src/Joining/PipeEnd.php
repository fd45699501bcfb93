<?php

declare(strict_types=1);

namespace FallBend\Core\Joining;

use FallBend\Core\Catalog\Catalogue;
use FallBend\Core\Catalog\Pipe;
use FallBend\Core\Catalog\PipeSystem;
use FallBend\Core\Input\BadInput;
use FallBend\Core\Input\Fields;

/** One end of a joint: which pipe, and how it ends. Lengths in mm. */
final readonly class PipeEnd
{
    /** What makes two ends the same to every decision: system, size, kind, diameter, and whether it can move. */
    public string $key;

    /** Region and material: `us:iron`. */
    public string $stuff;

    /** Region, material and outside diameter: what a sleeve grips. */
    public string $girth;

    /**
     * @param float $outsideMm as measured, or as the catalogue has it
     * @param float $slackMm how far the outside may truly be off that
     * @param bool $isFixed it cannot be moved along its axis
     */
    private function __construct(
        public PipeSystem $system,
        public Pipe $pipe,
        public EndKind $kind,
        public float $outsideMm,
        public float $slackMm,
        public bool $isMeasured,
        public bool $isFixed,
    ) {
        $this->stuff = "{$system->region}:{$system->material}";
        $this->girth = "{$this->stuff}/{$outsideMm}";
        $this->key = "{$system->key}/{$pipe->size}/{$kind->value}/{$outsideMm}".($isFixed ? '/fixed' : '');
    }

    /** Takes an end of the catalogue; a measured outside diameter stands for the catalogue's. */
    public static function of(
        PipeSystem $system,
        string $size,
        EndKind $kind,
        ?float $measuredMm = null,
        bool $isFixed = false,
    ): self {
        $pipe = $system->pipe($size);
        $slack = $measuredMm === null ? max($pipe->plusMm, $pipe->minusMm) : 0.1;

        return new self($system, $pipe, $kind, $measuredMm ?? $pipe->outsideMm, $slack, $measuredMm !== null, $isFixed);
    }

    /**
     * Reads `{system, size, end, od_mm?, fixed?}`.
     *
     * @throws BadInput
     */
    public static function read(Fields $fields, Catalogue $catalogue): self
    {
        $system = $catalogue->system($fields->choice('system', $catalogue->systemKeys()));
        $size = $fields->choice('size', $system->sizes());
        $kind = $fields->enum('end', EndKind::class);
        $measured = $fields->numberOrNull('od_mm', 5, 1500);
        $fixed = $fields->bool('fixed', false);
        $fields->end();

        return self::of($system, $size, $kind, $measured, $fixed);
    }

    /** Whether two ends are of one outside diameter, as far as their tolerances tell. */
    public function isAsWideAs(self $other): bool
    {
        return abs($this->outsideMm - $other->outsideMm) <= max($this->slackMm + $other->slackMm, 0.3);
    }
}
