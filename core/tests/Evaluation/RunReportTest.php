<?php

declare(strict_types=1);

namespace FallBend\Core\Tests\Evaluation;

use FallBend\Core\Catalog\Catalogue;
use FallBend\Core\Measure\Length;
use FallBend\Core\Measure\Tape;
use FallBend\Core\Measure\Units;
use FallBend\Core\Report\RunReport;
use FallBend\Core\Rules\RuleSet;
use FallBend\Core\Tests\Fixtures;
use PHPUnit\Framework\TestCase;

final class RunReportTest extends TestCase
{
    public function testALengthIsSaidInBothUnitsAndRoundedOnce(): void
    {
        $tape = new Tape;
        self::assertSame(
            ['mm' => 1384.3, 'inch' => '54 1/2', 'feet' => '4\' 6 1/2"', 'metric' => '1384'],
            $tape->reading(1384.3),
        );
        self::assertSame(-0.79, $tape->reading(-0.79)['mm']);
        self::assertSame(['0', '-1/16'], [$tape->reading(-0.79)['inch'], $tape->reading(-0.8)['inch']]);
        self::assertNull($tape->readingOrNull(null));
        self::assertSame($tape->reading(12.7), $tape->reading(12.7));
        self::assertSame(12.7000001, $tape->reading(12.7000001)['mm'], 'the number itself is never rounded');
    }

    public function testLevelsStandAtEveryJointBelowTheOutlet(): void
    {
        $report = self::report('down 40 / ahead 48 fall 1/4');
        $levels = array_map(static fn (array $joint): string => $joint['level']['inch'], $report['joints']);
        self::assertSame('0', $levels[0]);
        self::assertSame('-41', $levels[count($levels) - 1]);
        self::assertSame('41', $report['totals']['fall']['inch']);
    }

    public function testTotalsSayWhatIsLeftOfTheLevelledDifference(): void
    {
        $report = self::report('down 40', ['levelDifference' => Length::mm(1024)]);
        self::assertSame('8', $report['totals']['remaining']['metric']);
        self::assertTrue($report['totals']['whole']);
        self::assertNull(self::report('down 40')['totals']['remaining']);
    }

    public function testALegThatIsNotReadHasNoPlaceButKeepsItsWords(): void
    {
        $leg = self::report('down 40 / wibble')['legs'][1];
        self::assertSame(['wibble', false, false], [$leg['phrase'], $leg['read'], $leg['laid']]);
        self::assertNull($leg['from']);
        self::assertSame([], $leg['pieces']);
    }

    public function testALegNamesItsPiecesAndAPieceItsJoints(): void
    {
        $report = self::report("north 24' fall 1/4 / right 70° 40");
        self::assertSame(['A', 'B', 'C'], $report['legs'][0]['pieces']);
        self::assertSame(['E'], $report['legs'][1]['pieces'], 'the piece between the bends belongs to the turn');
        self::assertTrue($report['pieces'][3]['between']);
        $joints = array_column($report['joints'], 'number', 'key');
        foreach ($report['pieces'] as $piece) {
            self::assertGreaterThan($joints[$piece['joint_from']], $joints[$piece['joint_to']]);
        }
        self::assertSame(count($report['pieces']) + count($report['fittings']), count($report['sequence']));
    }

    public function testTheSequenceIsTheWayOfTheWater(): void
    {
        $report = self::report('north 40 size 2 / right 70° 40 size 3');
        self::assertSame(['l1.1', 'l2.bi', 'l2.a', 'l2.p', 'l2.b', 'l2.1'], $report['sequence']);
        self::assertSame(
            ['outlet', 'l2.bi', 'l2.in', 'l2.mid1', 'l2.mid2', 'l2.out', 'tie-in'],
            array_column($report['joints'], 'key'),
        );
    }

    public function testEveryRowThatAnAnswerRestsOnIsNamedOnce(): void
    {
        $report = self::report("north 24' fall 1/8 / right 40 / left 40");
        $rows = array_map(
            static fn (array $source): string => "{$source['table']} {$source['row']}",
            $report['sources'],
        );
        self::assertSame($rows, array_values(array_unique($rows)));
        foreach (
            [
                'pvc-dwv-40 pipe/2',
                'pvc-dwv-40 socket/2',
                'pvc-dwv-40 long-sweep/2',
                'pvc-dwv-40 coupling/2',
                'ipc-2021 fall.least.small',
            ] as $row
        ) {
            self::assertContains($row, $rows);
        }
    }

    public function testASteepLegThatIsCalledDownIsNotSaidByItsFall(): void
    {
        $report = self::report('north 40 / down 30° 20');
        self::assertNull($report['legs'][1]['fall']);
        self::assertFalse($report['legs'][1]['upright']);
        self::assertSame('20" going down by 30°', $report['legs'][1]['read_back']);
    }

    /**
     * @param array<string, mixed> $with
     * @return array<string, mixed>
     */
    private static function report(string $callOut, array $with = []): array
    {
        $layout = Fixtures::layout($callOut, $with);
        $catalogue = Catalogue::shipped();

        return (new RunReport(Units::Inch))->write(
            $layout,
            (new RuleSet($catalogue))->judge($layout, $catalogue->rulebook('ipc-2021')),
        );
    }
}
