<?php

declare(strict_types=1);

namespace FallBend\Core\Catalog;

use FallBend\Core\Input\BadInput;
use FallBend\Core\Input\Fields;

/**
 * A fitting that does not turn: a coupling (`acrossMm` = width of its stop) or a bushing
 * (`acrossMm` = from the stop that it sits on to its own stop).
 */
final readonly class StraightFitting implements Storable
{
    use StoredRow;

    private function __construct(
        public string $id,
        public string $pattern,
        public string $size,
        public ?string $reducesTo,
        public string $name,
        public string $makerName,
        public float $acrossMm,
        public Provenance $provenance,
    ) {}

    /** Gives its sizes as they are written before its name. */
    public function sizeInWords(): string
    {
        return $this->reducesTo === null ? $this->size : "{$this->size} × {$this->reducesTo}";
    }

    /**
     * Takes a coupling; `acrossMm` is what lies between the ends of the pipes.
     *
     * @param float $gapMm how far each end stands back from the stop
     *
     * @throws BadInput
     */
    public static function coupling(Fields $row, string $table, float $gapMm = 0.0): self
    {
        return new self(
            $row->string('id'),
            'coupling',
            $row->string('size'),
            null,
            $row->string('name'),
            $row->string('maker_name'),
            $row->number('stop_mm', 0, 200) + 2 * $gapMm,
            Provenance::read($row, $table),
        );
    }

    /** @throws BadInput */
    public static function bushing(Fields $row, string $table): self
    {
        return new self(
            $row->string('id'),
            'bushing',
            $row->string('size'),
            $row->string('reduces_to'),
            $row->string('name'),
            $row->string('maker_name'),
            $row->number('offset_mm', -200, 200),
            Provenance::read($row, $table),
        );
    }

    /** @throws BadInput */
    public static function trapAdapter(Fields $row, string $table): self
    {
        return new self(
            $row->string('id'),
            'trap-adapter',
            $row->string('size'),
            null,
            $row->string('name'),
            $row->string('maker_name'),
            0.0,
            Provenance::read($row, $table),
        );
    }
}
