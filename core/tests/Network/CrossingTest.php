<?php

declare(strict_types=1);

namespace FallBend\Core\Tests\Network;

use FallBend\Core\Catalog\Catalogue;
use FallBend\Core\Job\Obstacle;
use FallBend\Core\Job\ObstacleKind;
use FallBend\Core\Layout\JobCompiler;
use FallBend\Core\Network\Crossing;
use FallBend\Core\Network\Crossings;
use PHPUnit\Framework\TestCase;

final class CrossingTest extends TestCase
{
    public function testAnEdgeIsKnownWhereBothWereMeasured(): void
    {
        self::assertSame(60.0, self::crossing(200.0, 60.0)->nearerEdgeMm());
        self::assertSame(40.0, self::crossing(200.0, 160.0)->nearerEdgeMm());
        self::assertSame(70.0, self::crossing(200.0, 160.0)->notchMm());
        self::assertNull(self::crossing(200.0, null)->nearerEdgeMm());
        self::assertNull(self::crossing(null, 60.0)->nearerEdgeMm());
        self::assertNull(self::crossing(null, 60.0)->notchMm());
    }

    public function testWhatALegNoLongerReachesALaterOneGoesThrough(): void
    {
        // Two legs of 1 m in one line, falling 20 mm in each, on the way between north and east; joists every 400 mm
        // from 300.
        $run = [
            'main' => [
                'socket',
                'right 30° 1000 mm fall 20 mm/m / right 22.5° 1000 mm fall 20 mm/m',
                'socket',
                ['size' => '2'],
            ],
        ];
        $joists = [
            [
                'kind' => 'joist',
                'run' => 'main',
                'leg' => 'l1',
                'at_mm' => 300.0,
                'every_mm' => 400.0,
                'count' => 4,
                'depth_mm' => 240.0,
                'top_mm' => 100.0,
            ],
        ];
        $job = CaseJob::of('ipc-2021', $run, $joists);
        $catalogue = Catalogue::shipped();
        $book = $catalogue->rulebook('ipc-2021');
        $layout = (new JobCompiler($catalogue, $book, $job))->compile();
        $crossings = Crossings::find($layout, ['main' => $job->obstacles], $book);
        self::assertSame([1, 2, 3, 4], array_column($crossings, 'number'));
        // The fourth stands 1500 mm along the first leg; the second leg, 22.5° off, gets there after 500 / cos 22.5°.
        $along = 1000.0 + 500.0 / cos(deg2rad(22.5));
        self::assertEqualsWithDelta([300.0, 700.0, 1100.0, 1500.0], array_column($crossings, 'tapeMm'), 50.0);
        self::assertEqualsWithDelta($along, $crossings[3]->tapeMm, 0.5);
        // It lies lower by what the pipe fell on the way from the first one.
        $fall = ($along - 300.0) * sin(atan(0.02));
        self::assertEqualsWithDelta(100.0 + $fall, $crossings[3]->fromTopMm ?? 0.0, 0.5);
        self::assertEqualsWithDelta(100.0 + 400.0 * sin(atan(0.02)), $crossings[1]->fromTopMm ?? 0.0, 0.1);
    }

    public function testWhatStandsBeyondTheLastLegIsNotGoneThrough(): void
    {
        $legs = 'right 30° 1000 mm fall 20 mm/m / right 22.5° 1000 mm fall 20 mm/m';
        $joists = ['kind' => 'joist', 'run' => 'main', 'leg' => 'l1', 'at_mm' => 300.0, 'every_mm' => 400.0];
        $job = CaseJob::of(
            'ipc-2021',
            ['main' => ['socket', $legs, 'socket', ['size' => '2']]],
            [$joists + ['count' => 7, 'depth_mm' => 240.0]],
        );
        $catalogue = Catalogue::shipped();
        $book = $catalogue->rulebook('ipc-2021');
        $layout = (new JobCompiler($catalogue, $book, $job))->compile();
        // The fifth stands at 1900 mm, and the run ends 1000 + 1000 · cos 22.5° = 1924 mm along the first leg.
        self::assertCount(5, Crossings::find($layout, ['main' => $job->obstacles], $book));
    }

    private static function crossing(?float $depth, ?float $fromTop): Crossing
    {
        $obstacle = new Obstacle('o', ObstacleKind::Joist, '', 'r1', 'l1', 0.0, depthMm: $depth);

        return new Crossing($obstacle, 1, 0.0, '2', 60.0, 60.0, $fromTop);
    }
}
