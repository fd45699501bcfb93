<?php

declare(strict_types=1);

namespace FallBend\Core\Tests\Layout;

use FallBend\Core\Catalog\Bend;
use FallBend\Core\Catalog\Catalogue;
use FallBend\Core\Geometry\Vec3;
use FallBend\Core\Layout\PairFinder;
use PHPUnit\Framework\TestCase;

final class PairFinderTest extends TestCase
{
    public function testTheDirectionBetweenMakesBothTurnsAndFalls(): void
    {
        mt_srand(8);
        $found = 0;
        for ($i = 0; $i < 3000; $i++) {
            [$a, $b] = [[22.5, 45.0, 60.0, 88.8][mt_rand(0, 3)], [22.5, 45.0, 60.0, 88.8][mt_rand(0, 3)]];
            $in = Vec3::direction(mt_rand(0, 359), mt_rand(-10, 90));
            $out = Vec3::direction(mt_rand(0, 359), mt_rand(-10, 90));
            $between = PairFinder::between($in, $out, $a, $b);
            if ($between === null) {
                continue;
            }
            $found++;
            self::assertEqualsWithDelta($a, $in->angleTo($between), 1e-6);
            self::assertEqualsWithDelta($b, $between->angleTo($out), 1e-6);
            $normal = $in->cross($out)->unit();
            self::assertNotNull($normal);
            $mirrored = $between->minus($normal->times(2 * $between->dot($normal)));
            self::assertLessThanOrEqual(
                $mirrored->z + 1e-9,
                $between->z,
                'of the two mirrored rolls the one that falls',
            );
        }
        self::assertGreaterThan(500, $found);
    }

    public function testLegsInLineAndAnglesOutOfReachHaveNone(): void
    {
        $north = Vec3::direction(0, 0);
        self::assertNull(PairFinder::between($north, $north, 22.5, 22.5), 'the plane of the turn is not determined');
        self::assertNull(PairFinder::between($north, Vec3::direction(70, 0), 22.5, 22.5));
        self::assertNull(PairFinder::between($north, Vec3::direction(10, 0), 45, 22.5));
    }

    public function testTheGentlestPairIsTaken(): void
    {
        $bends = Catalogue::shipped()->system('pvc-dwv-40')->plainBends('2');
        $pair = static fn (float $deg): array => array_map(
            static fn (Bend $bend): string => $bend->pattern,
            PairFinder::gentlest($bends, $deg) ?? [],
        );
        self::assertSame(['sixteenth', 'sixteenth'], $pair(10));
        self::assertSame(['sixteenth', 'sixteenth'], $pair(45));
        self::assertSame(['sixteenth', 'eighth'], $pair(46));
        self::assertSame(['sixteenth', 'eighth'], $pair(67.5));
        self::assertSame(['eighth', 'eighth'], $pair(70));
        self::assertSame(['eighth', 'sixth'], $pair(100));
        self::assertSame(['sixth', 'sixth'], $pair(119));
        self::assertSame(['quarter', 'quarter'], $pair(177));
        self::assertSame([], $pair(179));
    }
}
