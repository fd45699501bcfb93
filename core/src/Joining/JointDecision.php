<?php

declare(strict_types=1);

namespace FallBend\Core\Joining;

use FallBend\Core\Catalog\Catalogue;
use FallBend\Core\Catalog\Rulebook;

/**
 * What joins two ends: every method is considered, offered or refused. Asked the other way round, it gives the same.
 */
final readonly class JointDecision
{
    /** @var list<WayOfJoining> */
    private array $ways;

    public function __construct(Catalogue $catalogue)
    {
        $parts = $catalogue->parts();
        $this->ways = [
            new Solvents($parts),
            new Sleeves($parts),
            new Hubs($parts),
            new Rings,
            new Threads($parts),
            new SlipNuts($parts),
            new LikeWithLike($parts),
        ];
    }

    /**
     * Takes two ends, the place and the rulebook; gives the offers, best first, and the refusals, those first that
     * somebody might reach for.
     */
    public function between(PipeEnd $a, PipeEnd $b, Place $place, Rulebook $rulebook): Decision
    {
        [$offers, $near, $far] = [[], [], []];
        foreach ($this->ways as $way) {
            foreach ($way->methods() as $method) {
                $result = self::considered($way, $method, $a, $b, $place, $rulebook);
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

    /** The same of one method, which somebody chose: whether it is offered or refused. */
    public function chosen(Method $method, PipeEnd $a, PipeEnd $b, Place $place, Rulebook $rulebook): Decision
    {
        foreach ($this->ways as $way) {
            if (in_array($method, $way->methods(), true)) {
                $result = self::considered($way, $method, $a, $b, $place, $rulebook);

                return $result instanceof Offer ? new Decision([$result], []) : new Decision([], [$result]);
            }
        }

        return new Decision([], []);
    }

    private static function considered(
        WayOfJoining $way,
        Method $method,
        PipeEnd $a,
        PipeEnd $b,
        Place $place,
        Rulebook $rulebook,
    ): Offer|Refusal {
        foreach (strcmp($a->key, $b->key) > 0 ? [$b, $a] : [$a, $b] as $end) {
            if (! $end->system->isDrain) {
                return new Refusal(
                    $method,
                    'no-drain',
                    ['pipe' => $end->system->short],
                    $end->pipe->provenance,
                    $method === Method::SolventPvc,
                );
            }
        }
        if (strcmp($a->key, $b->key) <= 0) {
            return $way->consider($method, $a, $b, $place, $rulebook);
        }
        $result = $way->consider($method, $b, $a, $place, $rulebook);

        return $result instanceof Offer ? $result->turned() : $result;
    }
}
