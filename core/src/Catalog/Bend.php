<?php

declare(strict_types=1);

namespace FallBend\Core\Catalog;

use FallBend\Core\Input\BadInput;
use FallBend\Core\Input\Fields;

/**
 * One bend of one size. Take-offs run from the centre to where the end of the pipe comes to rest
 * (the stop of a socket; the gap of the joint
 * included where its ends stand apart), or to the end of the spigot; mm and degrees. `doubtMm` says how far off the
 * take-off may be: nothing where it is stated or was measured.
 *
 * A street bend stands with its spigot in the fitting before it. A bend of hub-and-spigot pipe has its hub towards what
 * comes and its spigot towards what follows, and `takeOffMm` is that of the hub. A closet bend goes on in a smaller
 * size, and has an outlet of its own.
 */
final readonly class Bend implements Storable
{
    use StoredRow;

    private function __construct(
        public string $id,
        public string $pattern,
        public bool $isStreet,
        public string $size,
        public string $name,
        public string $makerName,
        public float $nominalDeg,
        public float $turnDeg,
        public float $takeOffMm,
        public float $doubtMm,
        public ?float $spigotMm,
        public float $spigotDoubtMm,
        public float $radiusMm,
        public Provenance $provenance,
        public ?string $outletSize = null,
        private ?float $closetOutletMm = null,
        private ?float $closetOutletDoubtMm = null,
    ) {}

    /** From the centre to where what follows comes to rest, or to the end of the spigot that goes into it; mm. */
    public function outletMm(): float
    {
        return $this->hasSpigotOut()
            ? $this->spigotMm ?? $this->takeOffMm
            : $this->closetOutletMm ?? $this->takeOffMm;
    }

    /** How far off that may be, mm. */
    public function outletDoubtMm(): float
    {
        return $this->hasSpigotOut() ? $this->spigotDoubtMm : $this->closetOutletDoubtMm ?? $this->doubtMm;
    }

    /**
     * From the centre to the end of the fitting before it where it stands in that, without pipe; null where it does not
     * go into a fitting. Mm.
     */
    public function standMm(): ?float
    {
        return $this->hasSpigotOut() ? $this->takeOffMm : $this->spigotMm;
    }

    /** How far off that may be, mm. */
    public function standDoubtMm(): float
    {
        return $this->hasSpigotOut() ? $this->doubtMm : $this->spigotDoubtMm;
    }

    /** Whether its outlet is a spigot: it is of hub-and-spigot pipe. */
    public function hasSpigotOut(): bool
    {
        return ! $this->isStreet && $this->spigotMm !== null;
    }

    /**
     * The same bend met from its outlet, in a run that is called out against the flow: what a hub takes and how far the
     * spigot reaches change places. Of other bends both sides are alike.
     */
    public function againstFlow(): self
    {
        return ! $this->hasSpigotOut()
            ? $this
            : new self(
                $this->id,
                $this->pattern,
                false,
                $this->size,
                $this->name,
                $this->makerName,
                $this->nominalDeg,
                $this->turnDeg,
                $this->spigotMm ?? $this->takeOffMm,
                $this->spigotDoubtMm,
                $this->takeOffMm,
                $this->doubtMm,
                $this->radiusMm,
                $this->provenance,
            );
    }

    /**
     * Gives what it is measured like: a `bend`, to its stop on either side; a `hub-bend`, to the bottom of its hub and
     * the end of its spigot; a `closet-bend`, to the stops of its two sizes.
     *
     * @return 'bend'|'hub-bend'|'closet-bend'
     */
    public function measuredLike(): string
    {
        return match (true) {
            $this->hasSpigotOut() => 'hub-bend',
            $this->outletSize !== null => 'closet-bend',
            default => 'bend',
        };
    }

    /** Gives how far off the length that is least sure may be, mm. */
    public function mostDoubtMm(): float
    {
        return max($this->doubtMm, $this->spigotDoubtMm, $this->outletDoubtMm());
    }

    /** Gives its size as it is written before its name. */
    public function sizeInWords(): string
    {
        return $this->outletSize === null ? $this->size : "{$this->size} × {$this->outletSize}";
    }

    /**
     * @param array{
     *     take_off_mm: DerivedLength,
     *     spigot_mm: ?DerivedLength,
     *     outlet_mm: ?DerivedLength,
     * } $lengths as `BendLengths` gives them
     * @param float $gapMm how far the end of the pipe stands off the fitting in a joint of this system
     *
     * @throws BadInput
     */
    public static function read(Fields $row, string $table, array $lengths, float $gapMm = 0.0): self
    {
        [$take, $spigot] = [$lengths['take_off_mm'], $lengths['spigot_mm']];
        $provenance = Provenance::read($row, $table);

        return new self(
            $row->string('id'),
            $row->string('pattern'),
            $row->bool('street', false),
            $row->string('size'),
            $row->string('name'),
            $row->string('maker_name'),
            $row->number('nominal_deg', 1, 179),
            $row->number('turn_deg', 1, 179),
            $take->mm + $gapMm,
            $take->doubtMm,
            $spigot?->mm,
            $spigot->doubtMm ?? 0.0,
            $row->number('radius_mm', 0, 2000),
            $take->formula === '' ? $provenance : $provenance->reckoned($take->formula),
            $row->has('outlet_size') ? $row->string('outlet_size') : null,
            $lengths['outlet_mm'] === null ? null : $lengths['outlet_mm']->mm + $gapMm,
            $lengths['outlet_mm']?->doubtMm,
        );
    }
}
