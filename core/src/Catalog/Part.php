<?php

declare(strict_types=1);

namespace FallBend\Core\Catalog;

use FallBend\Core\Input\BadInput;
use FallBend\Core\Input\Fields;
use FallBend\Core\Measure\Units;

/** A gasket, adapter, thread or seal that a joint is made with. Lengths in mm; what it does not have is null. */
final readonly class Part implements Storable
{
    use StoredRow;

    /** Where a row does not say otherwise, pipe that goes into a part of these methods is cemented into it. */
    private const CEMENTED = ['hub-adapter', 'threaded'];

    /** The pound is 0.45359237 kg by definition. */
    private const KG_OF_LB = 0.45359237;

    /**
     * @param string $table `gaskets` or `adapters`
     * @param ?PipeRange $takes the pipes that go into it; null where it is not made for a pipe
     * @param ?string $hub system and size of the hub that it goes into: `ci-hub-service/4`
     * @param bool $isCemented whether the pipe that goes into it is cemented there
     * @param ?float $lengthMm what its kind is measured by: insertion of a gasket, engagement of a thread, body of an
     *     adapter
     */
    private function __construct(
        public string $table,
        public string $id,
        public string $method,
        public string $size,
        public string $name,
        public string $makerName,
        public ?PipeRange $takes,
        public ?PipeRange $other,
        public ?string $hub,
        public ?float $lengthMm,
        public ?float $leadLb,
        public ?float $threadsPerInch,
        public ?float $handTightMm,
        public int $priceClass,
        public bool $isCemented,
        public Provenance $provenance,
    ) {}

    /** @throws BadInput */
    public static function read(Fields $row, string $table, PipeSystems $systems): self
    {
        $range = static function (mixed $named, string $at) use ($systems): ?PipeRange {
            return is_array($named) && $named !== [] ? PipeRange::read($named, $at, $systems) : null;
        };
        $sides = $row->list('sides', 2);
        $hub = $row->childOrNull('hub');

        return new self(
            $table,
            $row->string('id'),
            $row->string('method'),
            $row->string('size'),
            $row->string('name'),
            $row->string('maker_name'),
            $range($sides[0] ?? $row->list('takes'), $row->at('takes')),
            $range($sides[1] ?? $row->list('tube'), $row->at('tube')),
            $hub === null ? null : $hub->choice('system', $systems->systemKeys()).'/'.$hub->string('size'),
            $row->numberOrNull('insertion_mm', 0, 1000) ??
                ($row->numberOrNull('engagement_mm', 0, 1000) ??
                    ($row->numberOrNull('body_mm', 0, 1000) ?? $row->numberOrNull('cup_mm', 0, 1000))),
            $row->numberOrNull('lead_lb', 0, 100),
            $row->numberOrNull('threads_per_inch', 1, 100),
            $row->numberOrNull('hand_tight_mm', 0, 100),
            $row->int('price_class', 1, 3),
            $row->bool('cemented', in_array($row->string('method'), self::CEMENTED, true)),
            Provenance::read($row, $table),
        );
    }

    /** Whether it is a thing that can be bought; a thread is cut in what it joins. */
    public function isBought(): bool
    {
        return $this->threadsPerInch === null;
    }

    /** Gives how much lead goes into a joint with it: `4 lb`, `1.8 kg`; null where it takes none. */
    public function leadInWords(Units $units): ?string
    {
        return $this->leadLb === null
            ? null
            : ($units === Units::Inch
                ? "{$this->leadLb} lb"
                : round($this->leadLb * self::KG_OF_LB, 1).' kg');
    }
}
