<?php

declare(strict_types=1);

namespace FallBend\Core\Catalog;

use FallBend\Core\Input\BadInput;
use FallBend\Core\Input\Fields;

/** One size of a pipe system, with the socket that it goes into. Lengths in mm. */
final readonly class Pipe implements Storable
{
    use StoredRow;

    /**
     * Of the outside diameter: what a bore or a socket is drawn with where no table states it. Never a length to cut
     * by.
     */
    private const DRAWN_BORE = 0.9;

    private const DRAWN_SOCKET = 0.33;

    /**
     * @param float $plusMm how far a pipe may be larger than its nominal outside diameter
     * @param float $minusMm how far it may be smaller
     * @param bool $isToleranceStated false where the tolerance is the catalogue's assumption
     * @param float $boreMm drawn as 0.9 of the outside where `isBoreKnown` is false
     * @param float $socketDepthMm drawn as a third of the outside where `isSocketKnown` is false
     * @param float $gapMm how far the end of the pipe stands back from the stop in a joint of its own system
     * @param list<float> $sticksMm lengths that it is sold in
     */
    private function __construct(
        public string $size,
        public float $outsideMm,
        public float $plusMm,
        public float $minusMm,
        public bool $isToleranceStated,
        public float $boreMm,
        public bool $isBoreKnown,
        public ?float $wallMm,
        public ?float $kgPerM,
        public float $socketDepthMm,
        public bool $isSocketKnown,
        public float $gapMm,
        public array $sticksMm,
        public Provenance $provenance,
        public Provenance $socketProvenance,
    ) {}

    /**
     * @param float $assumedToleranceMm where the row states none
     *
     * @throws BadInput
     */
    public static function read(Fields $row, Fields $socket, string $table, float $assumedToleranceMm): self
    {
        $sticks = array_map(
            static fn (mixed $mm): float => is_int($mm) || is_float($mm) ? (float) $mm : 0.0,
            $row->list('sticks_mm'),
        );
        if ($sticks !== [] && min($sticks) <= 0) {
            throw BadInput::at($row->at('sticks_mm'), 'must be a list of lengths');
        }
        $outside = $row->number('od_mm', 1, 2000);
        $bore = $row->numberOrNull('bore_mm', 1, 2000);
        $depth = $socket->numberOrNull('depth_mm', 1, 500);
        $plus = $row->numberOrNull('od_plus_mm', 0, 50);

        return new self(
            $row->string('size'),
            $outside,
            $plus ?? $assumedToleranceMm,
            $row->numberOrNull('od_minus_mm', 0, 50) ?? $assumedToleranceMm,
            $plus !== null,
            $bore ?? self::DRAWN_BORE * $outside,
            $bore !== null,
            $row->numberOrNull('wall_mm', 0.1, 200),
            $row->numberOrNull('kg_per_m', 0, 1000),
            $depth ?? self::DRAWN_SOCKET * $outside,
            $depth !== null,
            $socket->numberOrNull('gap_mm', 0, 100) ?? 0.0,
            $sticks,
            Provenance::read($row, $table),
            Provenance::read($socket, $table),
        );
    }

    /** Gives the stated depth of its socket, or null. */
    public function statedDepthMm(): ?float
    {
        return $this->isSocketKnown ? $this->socketDepthMm : null;
    }

    /** Gives the longest piece: the shortest stick that it is sold in, or null where none is stated. */
    public function stickMm(): ?float
    {
        return $this->sticksMm === [] ? null : min($this->sticksMm);
    }
}
