<?php

declare(strict_types=1);

namespace FallBend\Core\Job;

use FallBend\Core\Catalog\Catalogue;
use FallBend\Core\Input\BadInput;
use FallBend\Core\Input\Fields;

/** What a stick of pipe costs the crew where it buys, by its length. */
final readonly class StickPrice
{
    private function __construct(
        public string $system,
        public string $size,
        public float $lengthMm,
        public float $price,
    ) {}

    /** @throws BadInput at the field that is wrong: a pipe that is in no list too */
    public static function read(Fields $fields, Catalogue $catalogue): self
    {
        $system = $fields->choice('system', $catalogue->systemKeys());
        $stick = new self(
            $system,
            $fields->choice('size', $catalogue->system($system)->sizes()),
            $fields->number('length_mm', 1, 100_000),
            $fields->number('price', 0, 1_000_000),
        );
        $fields->end();

        return $stick;
    }

    /** What is told apart by its price. */
    public function key(): string
    {
        return sprintf('%s|%s|%.1f', $this->system, $this->size, $this->lengthMm);
    }

    /**
     * @return array{system: string, size: string, length_mm: float, price: float} as a job file has it among what there
     *     is to cut from
     */
    public function toArray(): array
    {
        return [
            'system' => $this->system,
            'size' => $this->size,
            'length_mm' => $this->lengthMm,
            'price' => $this->price,
        ];
    }
}
