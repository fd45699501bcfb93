<?php

declare(strict_types=1);

namespace FallBend\Core\Catalog;

use FallBend\Core\Input\BadInput;
use FallBend\Core\Input\Fields;

/**
 * A sleeve or coupling that holds two plain ends from outside. Lengths in mm, torque in N·m and, as it is printed, in
 * lb·in.
 */
final readonly class Coupling implements Storable
{
    use StoredRow;

    /**
     * @param string $method key of the joining method that it is a part of
     * @param array{PipeRange, PipeRange} $sides
     * @param ?float $lengthMm null: not stated, to be measured
     * @param float $stopMm width of the ridge that keeps the two ends apart
     * @param float $backOffMm how far each end is drawn back from the stop
     * @param list<string> $grounds `above`, `buried`
     * @param bool $takesBushing whether a bushing brings a smaller pipe up to its bore
     */
    private function __construct(
        public string $id,
        public string $method,
        public string $size,
        public string $name,
        public string $makerName,
        public array $sides,
        public ?float $lengthMm,
        public float $stopMm,
        public float $backOffMm,
        public int $bands,
        public ?float $torqueNm,
        public ?float $torqueInLb,
        public string $driver,
        public array $grounds,
        public bool $takesBushing,
        public int $priceClass,
        public Provenance $provenance,
    ) {}

    /** @throws BadInput */
    public static function read(Fields $row, PipeSystems $systems): self
    {
        $sides = $row->list('sides', 2);
        if (count($sides) !== 2) {
            throw BadInput::at($row->at('sides'), 'must be the two sides');
        }
        $ranges = [];
        foreach (['a', 'b'] as $i => $letter) {
            $named =
                is_array($sides[$i]) && array_is_list($sides[$i]) && $sides[$i] !== []
                    ? $sides[$i]
                    : throw BadInput::at($row->at("sides.{$i}"), 'must list the pipes that it is made for');
            $ranges[] = PipeRange::read(
                $named,
                $row->at("sides.{$i}"),
                $systems,
                $row->numberOrNull("low_{$letter}_mm", 1, 2000),
                $row->numberOrNull("high_{$letter}_mm", 1, 2000),
            );
        }

        return new self(
            $row->string('id'),
            $row->choice('method', [
                'no-hub-shielded',
                'shielded-transition',
                'flexible-unshielded',
                'universal-compression',
            ]),
            $row->string('size'),
            $row->string('name'),
            $row->string('maker_name'),
            [$ranges[0], $ranges[1]],
            $row->numberOrNull('length_mm', 1, 1000),
            $row->number('stop_mm', 0, 100),
            $row->numberOrNull('back_off_mm', 0, 50) ?? 0.0,
            $row->int('bands', 0, 12),
            $row->numberOrNull('torque_nm', 0, 200),
            $row->numberOrNull('torque_in_lb', 0, 2000),
            $row->stringOr('driver', ''),
            $row->strings('grounds'),
            $row->bool('bushing', false),
            $row->int('price_class', 1, 3),
            Provenance::read($row, 'couplings'),
        );
    }

    /**
     * Gives how far each pipe goes in: half the length less half the stop, less what it is drawn back; null where the
     * length is not known.
     */
    public function insertionMm(): ?float
    {
        return $this->lengthMm === null ? null : ($this->lengthMm - $this->stopMm) / 2 - $this->backOffMm;
    }

    /** Gives what lies between the two ends of the pipes. */
    public function gapMm(): float
    {
        return $this->stopMm + 2 * $this->backOffMm;
    }
}
