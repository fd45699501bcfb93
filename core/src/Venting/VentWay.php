<?php

declare(strict_types=1);

namespace FallBend\Core\Venting;

/** One method of venting with the conditions that books set for it. */
interface VentWay
{
    /** Gives which of the methods of the books it is. */
    public function method(): VentMethod;

    /**
     * Holds the method against a trap that air meets.
     *
     * @return list<Shortfall>|null what is missing; none: the method vents it; null: the pipe is not of its shape, or
     *     the book has not a number that it takes
     */
    public function missing(AirPath $path): ?array;
}
