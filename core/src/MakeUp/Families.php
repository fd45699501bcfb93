<?php

declare(strict_types=1);

namespace FallBend\Core\MakeUp;

use FallBend\Core\Geometry\Vec3;
use FallBend\Core\Measure\Tolerance;

/**
 * All directions that the legs of a chain can have, for given turns: no bend and one bend leave no choice, two bends
 * leave two, three a family along a line,
 * four one over a square. A family is a function that gives the choices for a place along the line, in degrees; its
 * branches keep their order.
 */
final readonly class Families
{
    /** @var array{float, float, float} */
    private array $in;

    /** @var array{float, float, float} */
    private array $out;

    /** @var array{float, float, float} */
    private array $way;

    /** What the two joints of a bend give together. */
    private float $giveDeg;

    public function __construct(Problem $problem)
    {
        [$in, $out, $way] = [$problem->from->along, $problem->to->along, $problem->to->at->minus($problem->from->at)];
        $this->in = [$in->x, $in->y, $in->z];
        $this->out = [$out->x, $out->y, $out->z];
        $this->way = [$way->x, $way->y, $way->z];
        $this->giveDeg = 2 * $problem->playDeg;
    }

    /**
     * @return list<list<array{float, float, float}>> without any bend: straight on, where the two end joints give what
     *     is off
     */
    public function straight(): array
    {
        $u = Cones::unit($this->way);
        $give = $this->giveDeg / 2;

        return Cones::angleDeg($this->in, $u) <= $give && Cones::angleDeg($u, $this->out) <= $give ? [[$u]] : [];
    }

    /** @return list<list<array{float, float, float}>> with one bend, where its joints give what is off */
    public function one(float $turnDeg): array
    {
        return abs(Cones::angleDeg($this->in, $this->out) - $turnDeg) <= $this->giveDeg
            ? [[$this->in, $this->out]]
            : [];
    }

    /**
     * @return list<list<array{float, float, float}>> with two bends; where the ends lie along one line the leg between
     *     points the way that is left to go
     */
    public function two(float $firstDeg, float $secondDeg): array
    {
        $angle = Cones::angleDeg($this->in, $this->out);
        $sets = [];
        foreach (Cones::meet($this->in, cos(deg2rad($firstDeg)), $this->out, cos(deg2rad($secondDeg))) as $u) {
            $sets[] = [$this->in, $u, $this->out];
        }
        $isParallel = $angle <= 2 * $this->giveDeg && abs($firstDeg - $secondDeg) <= 2 * $this->giveDeg;
        $isReturn = $angle >= 180 - 2 * $this->giveDeg && abs($firstDeg + $secondDeg - 180) <= 2 * $this->giveDeg;
        if ($isParallel || $isReturn) {
            array_push(
                $sets,
                ...$this->offset(
                    $isParallel ? ($firstDeg + $secondDeg) / 2 : ($firstDeg + 180 - $secondDeg) / 2,
                    $firstDeg,
                    $secondDeg,
                ),
            );
        }

        return $sets;
    }

    /**
     * Three bends: the leg after the first lies anywhere on its cone, the one before the last where two cones meet.
     * Where the ends make the turn of one bend alone,
     * the other two may be an offset before or after it.
     *
     * @return list<callable(float): list<list<array{float, float, float}>>>
     */
    public function three(float $firstDeg, float $secondDeg, float $thirdDeg): array
    {
        [$in, $out] = [$this->in, $this->out];
        [$cosTwo, $cosThree] = [cos(deg2rad($secondDeg)), cos(deg2rad($thirdDeg))];
        $families = [
            static function (float $round) use ($in, $out, $firstDeg, $cosTwo, $cosThree): array {
                $u = Cones::round($in, $firstDeg, $round);

                return array_map(
                    static fn (array $v): array => [$in, $u, $v, $out],
                    Cones::meet($u, $cosTwo, $out, $cosThree),
                );
            },
        ];
        $angle = Cones::angleDeg($in, $out);
        if (abs($angle - $firstDeg) <= $this->giveDeg && abs($secondDeg - $thirdDeg) <= 2 * $this->giveDeg) {
            $families[] = static fn (float $round): array => [
                [$in, $out, Cones::round($out, ($secondDeg + $thirdDeg) / 2, $round), $out],
            ];
        }
        if (abs($angle - $thirdDeg) <= $this->giveDeg && abs($firstDeg - $secondDeg) <= 2 * $this->giveDeg) {
            $families[] = static fn (float $round): array => [
                [$in, Cones::round($in, ($firstDeg + $secondDeg) / 2, $round), $in, $out],
            ];
        }

        return $families;
    }

    /**
     * Places along the first family of three that are worth a look whatever the step of the search: where a leg lies in
     * the plane of the two ends, or toward the
     * other end, plumb, or at a given fall.
     *
     * @return list<float> degrees round
     */
    public function special(float $firstDeg, ?float $fallMmPerM): array
    {
        $rounds = [
            Cones::roundDeg($this->in, $this->out),
            Cones::roundDeg($this->in, $this->way),
            Cones::roundDeg($this->in, [0.0, 0.0, -1.0]),
        ];
        $rounds = [...$rounds, ...array_map(static fn (float $round): float => $round + 180.0, $rounds)];
        $dip = atan(($fallMmPerM ?? 0.0) / 1000);
        foreach (
            Cones::meet($this->in, cos(deg2rad($firstDeg)), [0.0, 0.0, -1.0], sin($dip + Tolerance::ROUNDING)) as $u
        ) {
            $rounds[] = Cones::roundDeg($this->in, $u);
        }

        return $rounds;
    }

    /**
     * Chains of two or three bends whose middle legs all have one fall exactly: how drains are laid, and the only way
     * where every leg has the least. Whether the turns
     * are near enough is not looked at.
     *
     * @param list<float> $turns
     * @return list<list<array{float, float, float}>>
     */
    public function falling(array $turns, float $fallMmPerM): array
    {
        $sine = sin(atan($fallMmPerM / 1000) + Tolerance::ROUNDING);
        $after = Cones::meet($this->in, cos(deg2rad($turns[0])), [0.0, 0.0, -1.0], $sine);
        $before = Cones::meet($this->out, cos(deg2rad($turns[count($turns) - 1])), [0.0, 0.0, -1.0], $sine);
        $sets = [];
        if (count($turns) === 2) {
            foreach ([...$after, ...$before] as $u) {
                $sets[] = [$this->in, $u, $this->out];
            }

            return $sets;
        }
        foreach ($after as $u) {
            foreach ($before as $v) {
                $sets[] = [$this->in, $u, $v, $this->out];
            }
        }

        return $sets;
    }

    /**
     * Four bends: the leg after the first and the one before the last lie anywhere on their cones, the middle one where
     * two cones meet.
     *
     * @return list<list<array{float, float, float}>>
     */
    public function four(
        float $firstDeg,
        float $secondDeg,
        float $thirdDeg,
        float $fourthDeg,
        float $roundIn,
        float $roundOut,
    ): array {
        $u = Cones::round($this->in, $firstDeg, $roundIn);
        $w = Cones::round($this->out, $fourthDeg, $roundOut);
        $middle = Cones::meet($u, cos(deg2rad($secondDeg)), $w, cos(deg2rad($thirdDeg)));

        return array_map(fn (array $v): array => [$this->in, $u, $v, $w, $this->out], $middle);
    }

    /**
     * Whether turns can lead from one end to the other at all: directions turn no further than their sum, and no less
     * than the largest less the others.
     *
     * @param non-empty-list<float> $turns
     */
    public function reaches(array $turns): bool
    {
        $angle = Cones::angleDeg($this->in, $this->out);
        $sum = array_sum($turns);
        $give = count($turns) * $this->giveDeg;

        return $angle <= $sum + $give && max($turns) - ($sum - max($turns)) <= $angle + $give;
    }

    /**
     * The ends lie along one line but for what the joints give: the leg between leads square to it by what the ends
     * stand apart.
     *
     * @return list<list<array{float, float, float}>>
     */
    private function offset(float $turnDeg, float $firstDeg, float $secondDeg): array
    {
        $axis = new Vec3(...$this->in);
        $side = (new Vec3(...$this->way))->squareTo($axis);
        if ($side === null) {
            return [];
        }
        $turn = deg2rad($turnDeg);
        $u = $axis->times(cos($turn))->plus($side->times(sin($turn)));
        $isWithin =
            abs(Cones::angleDeg([$u->x, $u->y, $u->z], $this->out) - $secondDeg) <= $this->giveDeg &&
            abs($turnDeg - $firstDeg) <= $this->giveDeg;

        return $isWithin ? [[$this->in, [$u->x, $u->y, $u->z], $this->out]] : [];
    }
}
