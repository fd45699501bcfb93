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
     */
    public function __construct(public float $mm, public ?float $price = null, public ?int $available = null) {}
}
