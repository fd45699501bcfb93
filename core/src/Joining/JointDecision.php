<?php

declare(strict_types=1);

namespace FallBend\Core\Joining;

use FallBend\Core\Catalog\Catalogue;
use FallBend\Core\Catalog\Rulebook;

/** What joins two ends: every method is considered, offered or refused. Asked the other way round, it gives the same. */
final readonly class JointDecision
{
    /** @var list<WayOfJoining> */
    private array $ways;

    public function __construct(Catalogue $catalogue)
    {
        $parts = $catalogue->parts();
        $this->ways = [new Solvents($parts), new Sleeves($parts), new Hubs($parts), new Rings, new Threads($parts), new SlipNuts($parts), new Others($parts)];
    }

    /** Takes two ends, the place and the rulebook; gives the offers, best first, and the refusals, those first that somebody might reach for. */
    public function between(PipeEnd $a, PipeEnd $b, Place $place, Rulebook $rulebook): Decision
    {
        if (strcmp($a->key, $b->key) > 0) {
            return $this->between($b, $a, $place, $rulebook)->turned();
        }
        foreach ([$a, $b] as $end) {
            if (! $end->system->isDrain) {
                return new Decision([], array_map(static fn (Method $method): Refusal => new Refusal($method, 'no-drain', ['pipe' => $end->system->short], $end->pipe->provenance, $method === Method::SolventPvc), Method::cases()));
            }
        }
        [$offers, $near, $far] = [[], [], []];
        foreach ($this->ways as $way) {
            foreach ($way->consider($a, $b, $place, $rulebook) as $result) {
                if ($result instanceof Offer) {
                    $offers[] = $result;
                } elseif ($result->isNear) {
                    $near[] = $result;
                } else {
                    $far[] = $result;
                }
            }
        }
        if (count($offers) > 1) {
            usort($offers, static fn (Offer $x, Offer $y): int => $x->rank() <=> $y->rank());
        }

        return new Decision($offers, [...$near, ...$far]);
    }
}
