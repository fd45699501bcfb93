<?php

declare(strict_types=1);

namespace FallBend\Core\Catalog;

use FallBend\Core\Input\BadInput;
use FallBend\Core\Input\Fields;

/** One bend of one size. Take-offs run from the centre to the stop inside the hub, or to the end of the spigot; mm and degrees. */
final readonly class Bend
{
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
        public ?float $spigotMm,
        public float $radiusMm,
        public Provenance $provenance,
    ) {}

    /** @throws BadInput */
    public static function read(Fields $row, string $table): self
    {
        $street = $row->bool('street', false);

        return new self(
            $row->string('id'),
            $row->string('pattern'),
            $street,
            $row->string('size'),
            $row->string('name'),
            $row->string('maker_name'),
            $row->number('nominal_deg', 1, 179),
            $row->number('turn_deg', 1, 179),
            $row->number('take_off_mm', 0, 2000),
            $street ? $row->number('spigot_mm', 0, 2000) : null,
            $row->number('radius_mm', 0, 2000),
            Provenance::read($row, $table),
        );
    }

    /** The same bend with a take-off measured on the fitting in hand; the spigot of a street bend moves with it unless it is given too. */
    public function measured(float $takeOffMm, ?float $spigotMm, string $source): self
    {
        $spigot = $this->spigotMm === null ? null : $spigotMm ?? $this->spigotMm + $takeOffMm - $this->takeOffMm;

        return new self($this->id, $this->pattern, $this->isStreet, $this->size, $this->name, $this->makerName, $this->nominalDeg,
            $this->turnDeg, $takeOffMm, $spigot, $this->radiusMm, $this->provenance->overridden($source));
    }
}
