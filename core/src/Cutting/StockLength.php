<?php

declare(strict_types=1);

namespace FallBend\Core\Cutting;

/** A length that sticks can be had in, or an offcut that lies in the van. */
final readonly class StockLength
{
    /**
     * @param float $mm usable length
     * @param ?float $price of one, in the crew's money; null: not kept
     * @param ?int $available how many there are; null: as many as are wanted
     * @param ?int $hubs how many hubs it has, each for one part; null where parts keep none
     * @param ?float $soldMm length that it is called by, where that is not what can be used
     */
    public function __construct(
        public float $mm,
        public ?float $price = null,
        public ?int $available = null,
        public ?int $hubs = null,
        private ?float $soldMm = null,
    ) {}

    /** Gives the length that it is called by, mm. */
    public function soldMm(): float
    {
        return $this->soldMm ?? $this->mm;
    }

    /** Gives what is said after its length: which hubs it has; empty of ordinary pipe. */
    public function hubsInWords(): string
    {
        return match ($this->hubs) {
            null => '',
            0 => 'no hub',
            1 => 'single hub',
            default => 'double hub',
        };
    }
}
