<?php

declare(strict_types=1);

namespace FallBend\Core\Drawing;

use FallBend\Core\Geometry\Vec3;

/** A tube along a line of points: rings of corners, carried along without twisting, and the triangles between them. */
final readonly class TubeMesh
{
    private const SIDES = 20;

    /** @var list<Vec3> */
    public array $corners;

    /** @var list<Vec3> outward, of length 1 */
    public array $normals;

    /** @var list<int> three for each triangle, counter-clockwise from outside */
    public array $triangles;

    /** @param non-empty-list<Vec3> $points at least two, none the same as the one before */
    public function __construct(array $points, float $radius)
    {
        [$corners, $normals, $triangles] = [[], [], []];
        $last = count($points) - 1;
        $side = null;
        foreach ($points as $i => $point) {
            $along = $points[min($i + 1, $last)]->minus($points[max($i - 1, 0)])->unit() ?? new Vec3(0.0, 0.0, 1.0);
            // Whatever was beside it before, less what lies along it now.
            $side ??= abs($along->z) < 0.9 ? new Vec3(0.0, 0.0, 1.0) : new Vec3(1.0, 0.0, 0.0);
            $side = $side->minus($along->times($side->dot($along)))->unit() ?? new Vec3(1.0, 0.0, 0.0);
            $other = $along->cross($side);
            for ($k = 0; $k < self::SIDES; $k++) {
                $angle = 2 * M_PI * $k / self::SIDES;
                $normal = $side->times(cos($angle))->plus($other->times(sin($angle)));
                $corners[] = $point->plus($normal->times($radius));
                $normals[] = $normal;
            }
            for ($k = 0; $i > 0 && $k < self::SIDES; $k++) {
                [$a, $b] = [($i - 1) * self::SIDES + $k, ($i - 1) * self::SIDES + ($k + 1) % self::SIDES];
                array_push($triangles, $a, $b, $a + self::SIDES, $b, $b + self::SIDES, $a + self::SIDES);
            }
        }
        [$this->corners, $this->normals, $this->triangles] = [$corners, $normals, $triangles];
    }
}
