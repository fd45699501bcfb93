<?php

declare(strict_types=1);

namespace FallBend\Core\Layout;

use FallBend\Core\Catalog\Bend;
use FallBend\Core\Catalog\Branch;
use FallBend\Core\Catalog\PipeSystem;
use FallBend\Core\Geometry\Roll;
use FallBend\Core\Geometry\Vec3;

/**
 * A branch that leaves at an angle which no fitting makes, made of a fitting and one bend, both rolled: the pipe comes
 * down to the run on the cone of the fitting's angle, and the bend turns it there from where it came. A wye and a 45 so
 * reach every angle in plan from 0° to 90°.
 */
final readonly class OddBranch
{
    /** What is offered first: what leads the water in the direction of flow, then what is sold everywhere. */
    private const PATTERNS = ['wye', 'branch-135', 'combo', 'branch-112'];

    /** Pipe is left between bend and fitting for a saw and a hand, mm; never less than fills both sockets. */
    private const PIPE_MM = 75.0;

    /**
     * @param Vec3 $direction of flow in the short leg into the fitting
     * @param float $rollDeg of the fitting, from its branch lying level up to where it looks
     * @param float $lengthMm of the short leg, from the centre of the bend to the centre of the fitting
     */
    private function __construct(
        public Branch $branch,
        public Bend $bend,
        public Vec3 $direction,
        public float $rollDeg,
        public float $lengthMm,
    ) {}

    /**
     * Gives the ways that come down onto the run, the best first.
     *
     * @param Vec3 $in direction of flow of the pipe that comes
     * @param Vec3 $flow of the run
     * @param array{string, string} $sizes of the run, and of the pipe that comes
     * @return list<self>
     */
    public static function ways(PipeSystem $system, Vec3 $in, Vec3 $flow, array $sizes): array
    {
        [$size, $branchSize] = $sizes;
        $ways = [];
        foreach (self::PATTERNS as $pattern) {
            foreach ($system->branchesOf($size, $branchSize) as $branch) {
                if ($branch->pattern !== $pattern || $branch->isDouble || $branch->branchSystems !== []) {
                    continue;
                }
                foreach ($system->plainBends($branchSize) as $bend) {
                    foreach (self::between($in, $flow, $branch->turnDeg, $bend->turnDeg) as $direction) {
                        // It comes down onto the run: water never stands in it.
                        if ($direction->z < -1e-6) {
                            $pipe = max(self::PIPE_MM, 2 * $system->pipe($branchSize)->socketDepthMm);
                            $long = ceil($branch->branchMm + $bend->outletMm() + $pipe);
                            $ways[] = new self($branch, $bend, $direction, Roll::upFromLevel($direction, $flow), $long);
                        }
                    }
                }
            }
        }
        usort(
            $ways,
            static fn (self $a, self $b): int => $a->rank() <=> $b->rank(),
        );

        return $ways;
    }

    /** @return array{int, float, float} less is better: a 1/8 bend is on every van, and what is rolled up falls well */
    private function rank(): array
    {
        return [
            (int) array_search($this->branch->pattern, self::PATTERNS, true),
            abs($this->bend->turnDeg - 45.0),
            -$this->rollDeg,
        ];
    }

    /**
     * Gives the unit directions at an angle from each of two: d · flow = cos β and d · in = cos θ, so
     * d = a · flow + b · in ± c · (flow × in).
     *
     * @return list<Vec3> two, one or none
     */
    private static function between(Vec3 $in, Vec3 $flow, float $branchDeg, float $bendDeg): array
    {
        [$p, $q, $g] = [cos(deg2rad($branchDeg)), cos(deg2rad($bendDeg)), $flow->dot($in)];
        $square = 1.0 - $g * $g;
        if ($square < 1e-9) {
            return self::beside($flow, $branchDeg, $bendDeg);
        }
        [$a, $b] = [($p - $g * $q) / $square, ($q - $g * $p) / $square];
        $rest = 1.0 - $a * $p - $b * $q;
        if ($rest < -1e-9) {
            return [];
        }
        $flat = $flow->times($a)->plus($in->times($b));
        $across = $flow->cross($in)->times(sqrt(max(0.0, $rest) / $square));

        return $rest < 1e-9 ? [$flat] : [$flat->plus($across), $flat->minus($across)];
    }

    /** @return list<Vec3> of a pipe beside the run: it comes down in the plane of both, where the angles agree */
    private static function beside(Vec3 $flow, float $branchDeg, float $bendDeg): array
    {
        $down = Vec3::up()->times(-1.0)->squareTo($flow);

        return $down === null || abs($branchDeg - $bendDeg) > 0.5
            ? []
            : [$flow->times(cos(deg2rad($branchDeg)))->plus($down->times(sin(deg2rad($branchDeg))))];
    }

    /**
     * Gives how the legs change: how much shorter the last one is, and how much further along the run the fitting
     * stands, mm. What is said of the run in plan stays where it is.
     *
     * @param Vec3 $in direction of flow of the last leg
     * @param Vec3 $flow of the run
     * @return array{float, float}|null null where the last leg lies along the run
     */
    public function moves(Vec3 $in, Vec3 $flow): ?array
    {
        $cross = static fn (Vec3 $a, Vec3 $b): float => $a->x * $b->y - $a->y * $b->x;
        $across = $cross($in, $flow);
        if (abs($across) < 1e-6) {
            return null;
        }
        $step = $this->direction->times($this->lengthMm);
        $shorter = $cross($step, $flow) / $across;
        // Along the run: what the short leg goes on beyond where the last one would have met it.
        $left = $step->minus($in->times($shorter));
        $level = hypot($flow->x, $flow->y);

        return [$shorter, ($left->x * $flow->x + $left->y * $flow->y) / ($level * $level)];
    }
}
