<?php

declare(strict_types=1);

namespace FallBend\Core\Job;

use FallBend\Core\Catalog\FixtureKind;
use FallBend\Core\Catalog\FixtureVariant;

/**
 * A fixture with its trap at the head of a run: the run begins at the outlet of the trap (at the flange, for a closet).
 * Lengths in mm, null where nobody measured.
 */
final readonly class FixtureHead
{
    /**
     * @param ?string $trapSize as the trap is sold; null: that of the run
     * @param ?float $sealMm depth of the water seal
     * @param ?float $dropMm from the fixture's outlet down to the trap's weir
     * @param ?float $acrossMm from the fixture's outlet across to the trap
     * @param ?float $standpipeMm from the trap's weir up to the open end of a standpipe
     * @param ?float $trapAboveFloorMm
     * @param ?float $rimMm from the start of the run up to the flood level rim
     * @param ?float $hotC hottest discharge
     * @param string $group name of the bathroom that it belongs to; empty: none
     * @param ?FixtureVariant $variant how it loads a drain otherwise than the usual one of its kind; null: it does not
     * @param ?FixtureGuard $guard what keeps its seal, or keeps waste from coming back; null: nobody said
     * @param ?bool $hasDisposer whether it grinds food waste; null: nobody said
     */
    public function __construct(
        public FixtureKind $kind,
        public TrapKind $trap = TrapKind::P,
        public ?string $trapSize = null,
        public ?float $sealMm = null,
        public ?float $dropMm = null,
        public ?float $acrossMm = null,
        public ?float $standpipeMm = null,
        public ?float $trapAboveFloorMm = null,
        public ?float $rimMm = null,
        public ?float $hotC = null,
        public string $group = '',
        public ?FixtureVariant $variant = null,
        public ?FixtureGuard $guard = null,
        public ?bool $hasDisposer = null,
    ) {}
}
