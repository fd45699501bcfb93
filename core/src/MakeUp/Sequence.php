<?php

declare(strict_types=1);

namespace FallBend\Core\MakeUp;

use FallBend\Core\Catalog\Bend;

/**
 * A sequence of bends with how every leg between them is made: of pipe, or one fitting straight in the next. Says what
 * lengths the legs may have, centre to centre.
 */
final readonly class Sequence
{
    /**
     * @param list<Turning> $turnings in the direction of flow
     * @param list<Bend> $bends one of each turning
     * @param list<bool> $close by leg, one more than bends: no pipe stands there
     */
    private function __construct(
        public Problem $problem,
        public array $turnings,
        public array $bends,
        public array $close,
    ) {}

    /**
     * Gives a sequence of the bends that take up the least, with pipe in every leg.
     *
     * @param list<Turning> $turnings
     */
    public static function of(Problem $problem, array $turnings): self
    {
        return new self(
            $problem,
            $turnings,
            array_map(static fn (Turning $turning): Bend => $turning->bends[0], $turnings),
            array_fill(0, count($turnings) + 1, false),
        );
    }

    /**
     * The same with other bends of the same turns.
     *
     * @param list<Bend> $bends
     */
    public function withBends(array $bends): self
    {
        return new self($this->problem, $this->turnings, $bends, $this->close);
    }

    /**
     * The same with a leg that has no pipe: a street bend stands in the fitting before it, or in the socket; or the
     * first bend goes straight onto the pipe that ends there.
     * Null where there is no such fitting.
     */
    public function closeAt(int $leg): ?self
    {
        $last = count($this->bends);
        $close = $this->close;
        $close[$leg] = true;
        if ($leg === 0 && ! $this->problem->from->isSocket()) {
            return $last === 0 ? null : new self($this->problem, $this->turnings, $this->bends, array_values($close));
        }
        if ($leg === $last) {
            return $last === 0 || $this->problem->to->isSocket()
                ? null
                : new self($this->problem, $this->turnings, $this->bends, array_values($close));
        }
        $street = $this->turnings[$leg]->street;
        if ($street?->standMm() === null) {
            return null;
        }
        $bends = $this->bends;
        $bends[$leg] = $street;

        return new self($this->problem, $this->turnings, array_values($bends), array_values($close));
    }

    /** @return list<float> the least length of every leg, centre to centre; of a close leg its only one */
    public function least(): array
    {
        $last = count($this->bends);
        $least = [];
        for ($i = 0; $i <= $last; $i++) {
            $least[] = $this->takenUp($i) + ($this->close[$i] ? 0.0 : $this->problem->minLegMm + $this->couplings($i));
        }

        return $least;
    }

    /** Gives what the fittings at its ends take up of a leg. */
    public function takenUp(int $leg): float
    {
        $before = ($this->bends[$leg - 1] ?? null)?->outletMm() ?? $this->problem->fromTakeMm;
        if ($leg === count($this->bends)) {
            return $before + $this->problem->toTakeMm;
        }
        $bend = $this->bends[$leg];
        $isStanding = $this->close[$leg] && ($leg > 0 || $this->problem->from->isSocket());

        return $before + ($isStanding ? $bend->standMm() ?? $bend->takeOffMm : $bend->takeOffMm);
    }

    /** Gives what couplings take up of a leg that begins or ends at pipe that stands there. */
    public function couplings(int $leg): float
    {
        return ($leg === 0 && ! $this->problem->from->isSocket() ? $this->problem->couplingMm : 0.0) +
            ($leg === count($this->bends) && ! $this->problem->to->isSocket() ? $this->problem->couplingMm : 0.0);
    }

    /** @return list<self> the same with every choice of bends that make the same turns, this one first */
    public function alternatives(): array
    {
        $all = [$this];
        foreach ($this->turnings as $i => $turning) {
            foreach ($all as $sequence) {
                foreach (array_slice($turning->bends, 1) as $bend) {
                    if (! $sequence->bends[$i]->isStreet) {
                        $bends = $sequence->bends;
                        $bends[$i] = $bend;
                        $all[] = $sequence->withBends(array_values($bends));
                    }
                }
            }
        }

        return $all;
    }
}
