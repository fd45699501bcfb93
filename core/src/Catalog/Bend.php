<?php

declare(strict_types=1);

namespace FallBend\Core\Catalog;

use FallBend\Core\Input\BadInput;
use FallBend\Core\Input\Fields;

/**
 * One bend of one size. Take-offs run from the centre to where the end of the pipe comes to rest
 * (the stop of a socket; the gap of the joint
 * included where its ends stand apart), or to the end of the spigot; mm and degrees.
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
        public bool $isKnown,
        public ?float $spigotMm,
        public float $radiusMm,
        public Provenance $provenance,
    ) {}

    /**
     * Takes a row whose take-off may be null: it is drawn from the radius then, `isKnown` is false, and nothing is to
     * be cut by it.
     *
     * @param float $gapMm how far the end of the pipe stands off the fitting in a joint of this system
     *
     * @throws BadInput
     */
    public static function read(Fields $row, string $table, float $gapMm = 0.0): self
    {
        $street = $row->bool('street', false);
        $takeOff = $row->numberOrNull('take_off_mm', 0, 2000);
        $turn = $row->number('turn_deg', 1, 179);
        $radius = $row->number('radius_mm', 0, 2000);

        return new self(
            $row->string('id'),
            $row->string('pattern'),
            $street,
            $row->string('size'),
            $row->string('name'),
            $row->string('maker_name'),
            $row->number('nominal_deg', 1, 179),
            $turn,
            ($takeOff ?? $radius * tan(deg2rad($turn / 2)) + $radius / 5) + $gapMm,
            $takeOff !== null,
            $street ? $row->number('spigot_mm', 0, 2000) : null,
            $radius,
            Provenance::read($row, $table),
        );
    }
}
