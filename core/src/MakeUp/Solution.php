<?php

declare(strict_types=1);

namespace FallBend\Core\MakeUp;

use FallBend\Core\Catalog\Bend;
use FallBend\Core\Geometry\Roll;
use FallBend\Core\Geometry\Vec3;

/** One way of making up the pipe between two ends. Lengths in mm. */
final readonly class Solution
{
    /**
     * @param list<Vec3> $directions of the legs, one more than bends
     * @param list<float> $lengths centre to centre
     * @param list<Vec3> $points from, the centre of every bend, to
     * @param float $missMm how far the last leg ends from where it should
     */
    private function __construct(
        public Sequence $sequence,
        public array $directions,
        public array $lengths,
        public array $points,
        public float $missMm,
    ) {}

    /**
     * @param list<array{float, float, float}> $u
     * @param list<float> $lengths
     */
    public static function of(Sequence $sequence, array $u, array $lengths, float $missMm): self
    {
        $directions = array_map(static fn (array $v): Vec3 => new Vec3($v[0], $v[1], $v[2]), $u);
        $points = [($at = $sequence->problem->from->at)];
        foreach ($directions as $i => $direction) {
            $points[] = $at = $at->plus($direction->times($lengths[$i]));
        }
        $points[count($points) - 1] = $sequence->problem->to->at;

        return new self($sequence, $directions, $lengths, $points, $missMm);
    }

    /** @return list<Bend> in the direction of flow */
    public function bends(): array
    {
        return $this->sequence->bends;
    }

    /** Gives the pipe to cut for a leg, stop to stop; null where no pipe stands there. */
    public function cutMm(int $leg): ?float
    {
        return $this->sequence->close[$leg]
            ? null
            : $this->lengths[$leg] - $this->sequence->takenUp($leg) - $this->sequence->couplings($leg);
    }

    /** Gives what each joint of a bend has to give, in degrees: half of what the bend is off its turn. */
    public function strainDeg(int $bend): float
    {
        return abs($this->directions[$bend]->angleTo($this->directions[$bend + 1]) - $this->bends()[$bend]->turnDeg) /
            2;
    }

    /**
     * Gives the roll of a bend from the one before it; of the first one from straight up, or from north where the pipe
     * is upright.
     */
    public function rollDeg(int $bend): float
    {
        return Roll::between(
            $this->directions[$bend - 1] ?? null,
            $this->directions[$bend],
            $this->directions[$bend + 1],
        );
    }

    /**
     * Gives how far from plumb the way that a bend turns leans, seen along the pipe: what a dial on a small level reads
     * that is held on the hub. From north where the pipe is upright.
     */
    public function dialDeg(int $bend): float
    {
        return Roll::between(null, $this->directions[$bend], $this->directions[$bend + 1]);
    }

    /** Whether every bend of it stands where another's does, to within 5 mm. */
    public function isLike(self $other): bool
    {
        foreach ($this->points as $i => $point) {
            if ($point->minus($other->points[$i])->length() > 5.0) {
                return false;
            }
        }

        return true;
    }

    /** @return list<int> indexes of the boxes that it comes too near to; no more than two, for nobody asks for more */
    public function hits(): array
    {
        $problem = $this->sequence->problem;
        $hits = [];
        foreach ($problem->boxes as $n => $box) {
            for ($i = 0; $i < count($this->points) - 1; $i++) {
                if ($box->isNearer($this->points[$i], $this->points[$i + 1], $problem->radiusMm)) {
                    $hits[] = $n;

                    break;
                }
            }
            if (count($hits) === 2) {
                break;
            }
        }

        return $hits;
    }

    /**
     * Gives what it is ranked by, the least first: fewest fittings, then the gentler bends, then less strain, legs that
     * are plumb or along a wall, less pipe.
     * The weights only set one before the other.
     */
    public function cost(): float
    {
        $cost = 1000.0 * count($this->bends());
        foreach ($this->bends() as $i => $bend) {
            $cost +=
                ($bend->turnDeg / 10) ** 2 +
                100 / max(10.0, $bend->radiusMm) +
                ($bend->isStreet ? 3.0 : 0.0) +
                10 * $this->strainDeg($i);
        }
        for ($i = 1; $i < count($this->directions) - 1; $i++) {
            $cost += $this->isPlain($this->directions[$i]) ? 0.0 : 1.5;
        }

        return $cost + array_sum($this->lengths) / 1000 + $this->missMm / 10;
    }

    /**
     * Whether a leg is plumb, or lies along a wall where walls are given and in plan along north, east, south or west
     * where none are.
     */
    private function isPlain(Vec3 $direction): bool
    {
        if (abs($direction->z) > 0.9999) {
            return true;
        }
        $heading = $direction->headingDeg();
        $headings = $this->sequence->problem->headingsDeg;
        foreach ($headings === [] ? [0.0, 90.0] : $headings as $wall) {
            $off = fmod(abs($heading - $wall), 180.0);
            if (min($off, 180.0 - $off) < 0.5) {
                return true;
            }
        }

        return false;
    }
}
