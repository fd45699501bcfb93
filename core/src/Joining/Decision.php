<?php

declare(strict_types=1);

namespace FallBend\Core\Joining;

/** What joins two ends, best first, and what does not. Every method stands in exactly one of the two lists. */
final readonly class Decision
{
    /**
     * @param list<Offer> $offers
     * @param list<Refusal> $refusals
     */
    public function __construct(public array $offers, public array $refusals) {}

    /** Gives the offer of a method, or null. */
    public function offer(Method $method): ?Offer
    {
        foreach ($this->offers as $offer) {
            if ($offer->method === $method) {
                return $offer;
            }
        }

        return null;
    }
}
