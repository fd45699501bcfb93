<?php

declare(strict_types=1);

namespace FallBend\Core\Tests\MakeUp;

use FallBend\Core\Geometry\Vec3;
use FallBend\Core\MakeUp\Box;
use FallBend\Core\MakeUp\Cones;
use FallBend\Core\MakeUp\Lengths;
use PHPUnit\Framework\TestCase;
use Random\Engine\Mt19937;
use Random\Randomizer;

final class LengthsTest extends TestCase
{
    public function testTheLeastPipeIsNoMoreThanAnyOtherThatFits(): void
    {
        $random = new Randomizer(new Mt19937(5));
        $float = static fn (float $a, float $b): float => $a + (($b - $a) * $random->getInt(0, 1_000_000)) / 1_000_000;
        for ($i = 0; $i < 300; $i++) {
            $n = $random->getInt(3, 5);
            $u = array_map(
                static fn (): array => Cones::unit([$float(-1, 1), $float(-1, 1), $float(-1, 1)]),
                range(1, $n),
            );
            $least = array_map(static fn (): float => $float(0, 200), range(1, $n));
            // Lengths that certainly fit, and what they reach.
            $some = array_map(static fn (float $one): float => $one + $float(0, 900), $least);
            $d = [0.0, 0.0, 0.0];
            foreach ($u as $k => $v) {
                $d = [$d[0] + $some[$k] * $v[0], $d[1] + $some[$k] * $v[1], $d[2] + $some[$k] * $v[2]];
            }
            $found = Lengths::least($u, $least, $d);
            self::assertNotNull($found, "case {$i}");
            [$lengths, $miss, $sum] = $found;
            self::assertLessThanOrEqual(array_sum($some) + 1.0, $sum);
            self::assertEqualsWithDelta(array_sum($lengths), $sum, 1e-6);
            $reached = [0.0, 0.0, 0.0];
            foreach ($u as $k => $v) {
                self::assertGreaterThanOrEqual($least[$k] - 1e-6, $lengths[$k]);
                $reached = [
                    $reached[0] + $lengths[$k] * $v[0],
                    $reached[1] + $lengths[$k] * $v[1],
                    $reached[2] + $lengths[$k] * $v[2],
                ];
            }
            self::assertEqualsWithDelta(
                $miss,
                sqrt(($reached[0] - $d[0]) ** 2 + ($reached[1] - $d[1]) ** 2 + ($reached[2] - $d[2]) ** 2),
                1e-4,
            );
            self::assertGreaterThanOrEqual(-1e-6, Lengths::slackMm($u, $least, $d));
        }
    }

    public function testWhatIsBehindIsNotReached(): void
    {
        $u = [[1.0, 0.0, 0.0], [0.0, 1.0, 0.0], [0.0, 0.0, 1.0]];
        self::assertNull(Lengths::least($u, [10.0, 10.0, 10.0], [100.0, 100.0, 5.0]));
        self::assertEqualsWithDelta(-5.0, Lengths::slackMm($u, [10.0, 10.0, 10.0], [100.0, 100.0, 5.0]), 1e-9);
        self::assertNotNull(Lengths::least($u, [10.0, 10.0, 10.0], [100.0, 100.0, 10.0]));
    }

    public function testInAPlaneTwoLegsDoAndMissByNoMoreThanAMillimetre(): void
    {
        $u = [[1.0, 0.0, 0.0], [0.0, 1.0, 0.0]];
        self::assertEqualsWithDelta(
            [300.0, 200.0],
            Lengths::least($u, [10.0, 10.0], [300.0, 200.0, 0.9])[0] ?? [],
            1e-9,
        );
        self::assertNull(Lengths::least($u, [10.0, 10.0], [300.0, 200.0, 1.1]));
        self::assertSame([[250.0], 0.0, 250.0], Lengths::least([[0.0, 1.0, 0.0]], [10.0], [0.0, 250.0, 0.0]));
    }

    public function testConesMeetAtTheAnglesAsked(): void
    {
        $random = new Randomizer(new Mt19937(6));
        $met = 0;
        for ($i = 0; $i < 400; $i++) {
            $unit = static fn (): array => Cones::unit([
                $random->getInt(-1000, 1000) + 0.5,
                $random->getInt(-1000, 1000),
                $random->getInt(-1000, 1000),
            ]);
            [$a, $b, $one, $two] = [
                $unit(),
                $unit(),
                (float) $random->getInt(10, 120),
                (float) $random->getInt(10, 120),
            ];
            $angle = Cones::angleDeg($a, $b);
            $all = Cones::meet($a, cos(deg2rad($one)), $b, cos(deg2rad($two)));
            $isReached =
                $angle < $one + $two - 0.01 && $angle > abs($one - $two) + 0.01 && $angle < 360 - $one - $two - 0.01;
            self::assertSame(
                $isReached ? 2 : 0,
                abs($angle - $one - $two) < 0.02 ||
                abs($angle - abs($one - $two)) < 0.02 ||
                abs($angle - 360 + $one + $two) < 0.02
                    ? ($isReached
                        ? 2
                        : 0)
                    : count($all),
                "{$angle} {$one} {$two}",
            );
            foreach ($all as $u) {
                $met++;
                self::assertEqualsWithDelta($one, Cones::angleDeg($a, $u), 1e-6);
                self::assertEqualsWithDelta($two, Cones::angleDeg($b, $u), 1e-6);
            }
        }
        self::assertGreaterThan(200, $met);
        self::assertSame(
            [],
            Cones::meet([0.0, 0.0, 1.0], 0.5, [0.0, 0.0, 1.0], 0.5),
            'along one line they meet all round, or nowhere',
        );
    }

    public function testRoundAnAxisAndBack(): void
    {
        foreach ([[0.0, 0.0, 1.0], [0.0, 1.0, 0.0], Cones::unit([1.0, -2.0, 0.5])] as $axis) {
            foreach ([-170.0, -20.0, 0.0, 35.0, 179.0] as $round) {
                $u = Cones::round($axis, 45.0, $round);
                self::assertEqualsWithDelta(45.0, Cones::angleDeg($axis, $u), 1e-9);
                self::assertEqualsWithDelta($round, Cones::roundDeg($axis, $u), 1e-9);
            }
        }
    }

    public function testTheDistanceToABoxIsThatOfTheNearestOfManySamples(): void
    {
        $random = new Randomizer(new Mt19937(8));
        $box = new Box(new Vec3(-100, -50, -20), new Vec3(100, 50, 20), 'box');
        for ($i = 0; $i < 60; $i++) {
            $point = static fn (): Vec3 => new Vec3(
                $random->getInt(-400, 400),
                $random->getInt(-400, 400),
                $random->getInt(-400, 400),
            );
            [$a, $b] = [$point(), $point()];
            $nearest = INF;
            for ($k = 0; $k <= 2000; $k++) {
                $p = $a->plus($b->minus($a)->times($k / 2000));
                $nearest = min(
                    $nearest,
                    hypot(hypot(max(0, abs($p->x) - 100), max(0, abs($p->y) - 50)), max(0, abs($p->z) - 20)),
                );
            }
            self::assertEqualsWithDelta($nearest, $box->distanceTo($a, $b), 0.6);
        }
        self::assertSame(0.0, $box->distanceTo(new Vec3(-500, 0, 0), new Vec3(500, 0, 0)));
        self::assertEqualsWithDelta(30.0, $box->distanceTo(new Vec3(-500, 80, 0), new Vec3(500, 80, 0)), 1e-6);
    }
}
