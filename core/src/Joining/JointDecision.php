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
            new Rings($parts),
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
        // The answer is the same whichever is called first: every way of joining sees them in one order.
        $isTurned = strcmp($a->key, $b->key) > 0;
        [$first, $second] = $isTurned ? [$b, $a] : [$a, $b];
        $notDrain = self::notDrain($first, $second);
        [$offers, $near, $far] = [[], [], []];
        foreach ($this->ways as $way) {
            foreach ($way->methods() as $method) {
                $result =
                    $notDrain === null
                        ? $way->consider($method, $first, $second, $place, $rulebook)
                        : self::refused($method, $notDrain);
                if ($result instanceof Offer) {
                    $offers[] = $isTurned ? $result->turned() : $result;
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
        $isTurned = strcmp($a->key, $b->key) > 0;
        [$first, $second] = $isTurned ? [$b, $a] : [$a, $b];
        $notDrain = self::notDrain($first, $second);
        if ($notDrain !== null) {
            return new Decision([], [self::refused($method, $notDrain)]);
        }
        foreach ($this->ways as $way) {
            if (in_array($method, $way->methods(), true)) {
                $result = $way->consider($method, $first, $second, $place, $rulebook);

                return $result instanceof Offer
                    ? new Decision([$isTurned ? $result->turned() : $result], [])
                    : new Decision([], [$result]);
            }
        }

        return new Decision([], []);
    }

    /** Gives the first end of pipe that no drain is made of, or null. */
    private static function notDrain(PipeEnd $first, PipeEnd $second): ?PipeEnd
    {
        return match (true) {
            ! $first->system->isDrain => $first,
            ! $second->system->isDrain => $second,
            default => null,
        };
    }

    private static function refused(Method $method, PipeEnd $end): Refusal
    {
        return new Refusal(
            $method,
            'no-drain',
            ['pipe' => $end->system->short],
            $end->pipe->provenance,
            $method === Method::SolventPvc,
        );
    }
}
