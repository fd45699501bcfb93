<?php

declare(strict_types=1);

namespace FallBend\Core\Tests\Geometry;

use FallBend\Core\Geometry\CompoundBend;
use FallBend\Core\Geometry\Roll;
use FallBend\Core\Geometry\Vec3;
use PHPUnit\Framework\TestCase;

final class CompoundBendTest extends TestCase
{
    public function testRollZeroAddsAndHalfATurnTakesAway(): void
    {
        mt_srand(7);
        for ($i = 0; $i < 500; $i++) {
            [$a, $b] = [mt_rand(10, 900) / 10, mt_rand(10, 900) / 10];
            $bend = new CompoundBend($a, $b);
            self::assertEqualsWithDelta($a + $b, $bend->turnDeg(0), 1e-9);
            self::assertEqualsWithDelta(abs($a - $b), $bend->turnDeg(180), 1e-9);
            $roll = mt_rand(0, 1800) / 10;
            self::assertEqualsWithDelta($roll, $bend->rollDeg($bend->turnDeg($roll)) ?? NAN, 1e-5, "{$a} {$b} {$roll}");
            self::assertEqualsWithDelta($bend->turnDeg($roll), (new CompoundBend($b, $a))->turnDeg(-$roll), 1e-9);
        }
    }

    public function testOutsideTheSpanThereIsNoRoll(): void
    {
        self::assertNull((new CompoundBend(45, 22.5))->rollDeg(67.6));
        self::assertNull((new CompoundBend(45, 22.5))->rollDeg(22.4));
        self::assertSame([22.5, 67.5], (new CompoundBend(45, 22.5))->spanDeg());
    }

    /** Two bends laid out in space make the turn that the formula says. */
    public function testAgreesWithDirectionsInSpace(): void
    {
        $in = Vec3::direction(0, 0);
        $between = Vec3::direction(45, 0);
        foreach ([0.0, 30.0, 90.0, 150.0, 180.0] as $roll) {
            // Centre side of the first bend at its outlet, turned about the pipe between by the roll, is where the
            // second turns to.
            $centre = $in->times(-1)->squareTo($between);
            self::assertNotNull($centre);
            $square = $between->cross($centre);
            $to = $centre->times(cos(deg2rad($roll)))->plus($square->times(sin(deg2rad($roll))));
            $out = $between->times(cos(deg2rad(45)))->plus($to->times(sin(deg2rad(45))));
            self::assertEqualsWithDelta((new CompoundBend(45, 45))->turnDeg($roll), $in->angleTo($out), 1e-9);
            self::assertEqualsWithDelta($roll, Roll::between($in, $between, $out), 1e-9);
        }
    }

    public function testFirstBendIsRolledFromUpOrFromNorth(): void
    {
        $east = Vec3::direction(90, 0);
        self::assertEqualsWithDelta(0, Roll::between(null, $east, Vec3::up()), 1e-9);
        self::assertEqualsWithDelta(180, abs(Roll::between(null, $east, Vec3::direction(0, 90))), 1e-9);
        self::assertEqualsWithDelta(
            90,
            Roll::between(null, $east, Vec3::direction(180, 0)),
            1e-9,
            'right of the flow is clockwise from up, looking downstream',
        );
        $down = Vec3::direction(0, 90);
        self::assertEqualsWithDelta(0, Roll::between(null, $down, Vec3::north()), 1e-9);
        self::assertEqualsWithDelta(
            90,
            Roll::between(null, $down, Vec3::direction(90, 0)),
            1e-9,
            'looking down, east is clockwise from north',
        );
    }
}
