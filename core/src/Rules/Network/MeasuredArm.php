<?php

declare(strict_types=1);

namespace FallBend\Core\Rules\Network;

use FallBend\Core\Catalog\FixtureKind;
use FallBend\Core\Catalog\Nominal;
use FallBend\Core\Catalog\Rulebook;
use FallBend\Core\Catalog\Threshold;
use FallBend\Core\Network\Arm;

/** A trap arm as the rules of arms judge it, whether it was walked in a network or only measured. Lengths in mm. */
final readonly class MeasuredArm
{
    /**
     * @param ?FixtureKind $kind of the fixture; null: not said
     * @param string $fixture what it is called
     * @param float $dropMm from the weir to the vent
     * @param float $uprightMm how much of it is upright
     */
    public function __construct(
        public ?FixtureKind $kind,
        public string $fixture,
        public string $size,
        public float $lengthMm,
        public float $dropMm,
        public float $uprightMm = 0.0,
    ) {}

    /** Takes an arm of a network. */
    public static function of(Arm $arm): self
    {
        return new self(
            $arm->head->fixture->kind,
            $arm->head->name,
            $arm->size(),
            $arm->lengthMm,
            $arm->dropMm,
            $arm->uprightMm,
        );
    }

    /** Whether it is that of a water closet, which has its own rules: it is meant to be siphoned. */
    public function isOfCloset(): bool
    {
        return $this->kind === FixtureKind::WaterCloset;
    }

    /**
     * Gives so many nominal diameters of it in mm, or mm as they stand; null where the rulebook states no such limit.
     */
    public function diametersMm(?Threshold $diameters): ?float
    {
        $one = $diameters?->unit === 'mm' ? 1.0 : Nominal::mm($this->size);

        return $diameters?->value === null ? null : $diameters->value * $one;
    }

    /**
     * Gives how far it may fall at most, in its diameters, or in mm where it is that of a closet; null where the
     * rulebook says nothing.
     */
    public function fallMost(Rulebook $rulebook): ?Threshold
    {
        return $rulebook->limit($this->isOfCloset() ? 'closet-arm.drop-most' : 'trap-arm.fall-most');
    }

    /**
     * Gives how long it is at least, in its diameters; null where the rulebook says nothing, or it is that of a closet.
     */
    public function least(Rulebook $rulebook): ?Threshold
    {
        return $this->isOfCloset() ? null : $rulebook->limit('trap-arm.least');
    }

    /**
     * Gives the length that is held against the rulebook, in mm: of a closet that the book limits down and across
     * apart, only what is across.
     */
    public function judgedMm(Rulebook $rulebook): float
    {
        $isApart = $this->isOfCloset() && $rulebook->limit('closet-arm.drop-most') !== null;

        return $isApart ? $this->lengthMm - $this->uprightMm : $this->lengthMm;
    }

    /** Gives the threshold of its length; null where the rulebook has none. A value of 0 stands for no limit. */
    public function most(Rulebook $rulebook): ?Threshold
    {
        return $this->isOfCloset()
            ? $rulebook->limit('closet-arm.most')
            : $rulebook->forFixture('trap-arm.most', $this->kind, $this->size);
    }

    /** Gives the length in mm that a rulebook allows; null where it has none, or no limit. */
    public function mostMm(Rulebook $rulebook): ?float
    {
        $most = $this->most($rulebook);

        return $most?->value !== null && $most->value > 0 ? $most->value : null;
    }
}
