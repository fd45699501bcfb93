<?php

declare(strict_types=1);

namespace FallBend\Core\MakeUp;

use FallBend\Core\Catalog\Bend;

/** All bends of a size that make one turn: the shortest of them reaches wherever any of them does. */
final readonly class Turning
{
    /**
     * @param float $deg what each really turns
     * @param non-empty-list<Bend> $bends plain ones, the one that takes up the least first
     * @param ?Bend $street the same as a street bend, whose spigot stands in the next socket
     */
    public function __construct(public float $deg, public array $bends, public ?Bend $street) {}

    /** Gives the least that a bend of these takes up, from its centre to the stop, in mm. */
    public function takeOffMm(): float
    {
        return $this->bends[0]->takeOffMm;
    }
}
