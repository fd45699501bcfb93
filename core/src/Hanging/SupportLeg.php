<?php

declare(strict_types=1);

namespace FallBend\Core\Hanging;

use FallBend\Core\Measure\Tolerance;

/** A leg of pipe as whoever hangs it sees it. Lengths in mm along the leg, from its upstream end. */
final readonly class SupportLeg
{
    /**
     * @param bool $isUpright it is held by brackets to a wall, not hung
     * @param float $mostMm farthest from hanger to hanger
     * @param float $besideMm farthest from a change of direction, an end or a heavy part to its hanger
     * @param ?float $nearJointMm farthest from a joint to a hanger; null: joints need none
     * @param float $clearMm how far a hanger keeps from a joint
     * @param list<float> $joints
     * @param list<float> $heavy parts that weigh on it: a trap, a closet, a valve
     * @param bool $isBent it begins and ends with a change of direction or with an end
     * @param ?Framing $framing what it is fixed to where it stands; null: nothing is known of it
     * @param list<float> $floors that an upright leg goes through
     * @param ?float $guideMm farthest between two that hold an upright leg without a guide between them; null: it needs
     *     none
     * @param list<array{float, float}> $fittings from where to where it is no straight pipe
     */
    public function __construct(
        public float $lengthMm,
        public bool $isUpright,
        public float $mostMm,
        public float $besideMm,
        public ?float $nearJointMm,
        public float $clearMm,
        public array $joints,
        public array $heavy,
        public bool $isBent = true,
        public ?Framing $framing = null,
        public array $floors = [],
        public ?float $guideMm = null,
        public array $fittings = [],
    ) {}

    /**
     * A leg under the spacing that holds for it; where no rulebook states one, only its ends and heavy parts are held.
     *
     * @param list<float> $joints
     * @param list<float> $heavy
     * @param list<float> $floors
     * @param list<array{float, float}> $fittings
     */
    public static function of(
        Spacing $spacing,
        float $lengthMm,
        bool $isUpright,
        array $joints,
        array $heavy,
        bool $isBent,
        ?Framing $framing,
        array $floors = [],
        array $fittings = [],
    ): self {
        return new self(
            $lengthMm,
            $isUpright,
            ($isUpright ? $spacing->uprightMm : $spacing->levelMm) ?? $lengthMm,
            $spacing->besideMm,
            $isUpright ? null : $spacing->nearJointMm,
            $spacing->clearMm,
            $joints,
            $heavy,
            $isBent,
            $isUpright ? null : $framing,
            $isUpright ? $floors : [],
            $isUpright ? $spacing->guideMm : null,
            $fittings,
        );
    }

    /**
     * Whether a hanger can stand at a place of it: on straight pipe, and clear of every joint. What carries a foot may
     * stand under the bend there.
     */
    public function isClear(float $atMm, bool $isFoot): bool
    {
        foreach ($this->joints as $joint) {
            if (abs($joint - $atMm) < $this->clearMm - Tolerance::SUM) {
                return false;
            }
        }
        foreach ($isFoot ? [] : $this->fittings as [$from, $to]) {
            if ($atMm >= $from && $atMm <= $to) {
                return false;
            }
        }

        return true;
    }
}
