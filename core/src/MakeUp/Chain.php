<?php

declare(strict_types=1);

namespace FallBend\Core\MakeUp;

use FallBend\Core\Geometry\Vec3;
use FallBend\Core\Measure\Tolerance;

/**
 * One sequence of bends on its way from one end to the other: whether a choice of directions can be built, and how far
 * it is from that.
 */
final class Chain
{
    /** What a degree of wrong fall counts for in mm, when the search compares the two. */
    private const MM_PER_DEG = 40.0;

    /** Legs steeper than this are upright, and have no least fall. */
    private const UPRIGHT_DEG = 45.0;

    /** Legs steeper than this have no most fall: they are drops. */
    private const DROP_DEG = 15.0;

    /** @var list<float> */
    private readonly array $least;

    /** @var array{float, float, float} */
    private readonly array $d;

    private readonly bool $hasClose;

    private readonly ?float $leastDeg;

    private readonly ?float $mostDeg;

    public function __construct(public readonly Sequence $sequence)
    {
        $problem = $sequence->problem;
        $this->least = $sequence->least();
        $this->hasClose = in_array(true, $sequence->close, true);
        $way = $problem->to->at->minus($problem->from->at);
        $this->d = [$way->x, $way->y, $way->z];
        // A millionth of a degree is no fall missing.
        $this->leastDeg =
            $problem->fallLeast === null ? null : rad2deg(atan($problem->fallLeast / 1000)) - Tolerance::SUM;
        $this->mostDeg = $problem->fallMost === null ? null : rad2deg(atan($problem->fallMost / 1000)) + Tolerance::SUM;
    }

    /**
     * Gives 0 where a chain of these directions can be built, else by how much it cannot, in mm; steady enough to feel
     * along. Boxes are not looked at.
     *
     * @param list<array{float, float, float}> $u one direction more than bends
     */
    public function violation(array $u): float
    {
        [$free, $least, $d] = $this->free($u);
        if (count($free) >= 3) {
            $length = max(0.0, -Lengths::slackMm($free, $least, $d));
        } else {
            $length = Lengths::least($free, $least, $d) === null ? self::missMm($free, $least, $d) : 0.0;
        }

        return $length + self::MM_PER_DEG * $this->fallOffDeg($u);
    }

    /**
     * Gives how much pipe and fitting a chain of these directions takes, centre to centre, in mm; endless where it
     * cannot be built.
     *
     * @param list<array{float, float, float}> $u
     */
    public function pipeMm(array $u): float
    {
        [$free, $least, $d] = $this->free($u);

        return Lengths::least($free, $least, $d)[2] ?? INF;
    }

    /**
     * Gives the chain of these directions with the least pipe, or null where it cannot be built. Boxes are not looked
     * at.
     *
     * @param list<array{float, float, float}> $u
     */
    public function build(array $u): ?Solution
    {
        if ($this->fallOffDeg($u) > 0.0) {
            return null;
        }
        [$free, $least, $d] = $this->free($u);
        $found = Lengths::least($free, $least, $d);
        if ($found === null) {
            return null;
        }
        $lengths = $this->least;
        $i = 0;
        foreach ($this->sequence->close as $leg => $isClose) {
            $lengths[$leg] = $isClose ? $lengths[$leg] : $found[0][$i++];
        }

        return Solution::of($this->sequence, $u, array_values($lengths), $found[1]);
    }

    /**
     * @param list<array{float, float, float}> $u
     * @return array{list<array{float, float, float}>, list<float>, array{float, float, float}} the legs that may be
     *     longer, and what they have to reach
     */
    private function free(array $u): array
    {
        if (! $this->hasClose) {
            return [$u, $this->least, $this->d];
        }
        [$free, $least, $d] = [[], [], $this->d];
        foreach ($u as $leg => $v) {
            if ($this->sequence->close[$leg]) {
                $d = [
                    $d[0] - $this->least[$leg] * $v[0],
                    $d[1] - $this->least[$leg] * $v[1],
                    $d[2] - $this->least[$leg] * $v[2],
                ];
            } else {
                $free[] = $v;
                $least[] = $this->least[$leg];
            }
        }

        return [$free, $least, $d];
    }

    /**
     * Gives how far legs of the made pipe are from a fall that is allowed, added up, in degrees. The first and the last
     * leg lie as the ends lie.
     *
     * @param list<array{float, float, float}> $u
     */
    private function fallOffDeg(array $u): float
    {
        if ($this->leastDeg === null && $this->mostDeg === null) {
            return 0.0;
        }
        $off = 0.0;
        for ($i = 1; $i < count($u) - 1; $i++) {
            $dip = rad2deg(asin(max(-1.0, min(1.0, -$u[$i][2]))));
            if ($this->leastDeg !== null && $dip < self::UPRIGHT_DEG - $this->sequence->problem->playDeg) {
                $off += max(0.0, $this->leastDeg - $dip);
            }
            if ($this->mostDeg !== null && $dip < self::DROP_DEG) {
                $off += max(0.0, min($dip - $this->mostDeg, self::DROP_DEG - $dip));
            }
        }

        return $off;
    }

    /**
     * @param list<array{float, float, float}> $u one or two directions
     * @param list<float> $least
     * @param array{float, float, float} $d
     */
    private static function missMm(array $u, array $least, array $d): float
    {
        $rest = new Vec3(...$d);
        $axes = array_map(static fn (array $v): Vec3 => new Vec3(...$v), $u);
        foreach ($axes as $i => $axis) {
            $rest = $rest->minus($axis->times($least[$i]));
        }
        // Away from both, or all of it where they would have to go back.
        $normal = isset($axes[1]) ? $axes[0]->cross($axes[1])->unit() : null;
        if ($normal === null) {
            return isset($axes[0]) && $rest->dot($axes[0]) > 0 ? $rest->cross($axes[0])->length() : $rest->length();
        }
        $off = abs($rest->dot($normal));
        [$b, $square] = [$axes[0]->dot($axes[1]), 1 - $axes[0]->dot($axes[1]) ** 2];
        $one = ($rest->dot($axes[0]) - $b * $rest->dot($axes[1])) / $square;
        $two = ($rest->dot($axes[1]) - $b * $rest->dot($axes[0])) / $square;

        return $off + max(0.0, -$one) + max(0.0, -$two);
    }
}
