<?php

declare(strict_types=1);

namespace FallBend\Core\Tests\Reckon;

use PHPUnit\Framework\TestCase;

/** A fitting that is cut into a line that stands. */
final class CutInReckonerTest extends TestCase
{
    use Reckons;

    private const SIDE = ['slide_room_mm' => 200, 'insertion_mm' => 26, 'fixed' => true];

    private const LINE = [
        'pipe' => ['system' => 'ci-no-hub', 'size' => '4', 'length_mm' => 3000],
        'fitting' => ['system' => 'pvc-dwv-40', 'row' => 'combo/4x3'],
        'centre_at_mm' => 1500,
        'kerf_mm' => 3,
        'rulebook' => 'upc-2021',
    ];

    public function testMarksByAFittingThatNobodyMeasuredSayWhatTheyMayBeOff(): void
    {
        $answer = self::reckon('cut-in', self::LINE + ['upstream' => self::SIDE, 'downstream' => self::SIDE]);
        $finding = array_column($answer['findings'], null, 'rule')['cutin.measureFitting'];
        self::assertSame('warn', $finding['severity']);
        self::assertGreaterThan(3.0, $answer['doubt_mm']);
        self::assertStringContainsString('may be off by', $finding['why']);
        self::assertNotNull($answer['cut_marks_mm']);
    }

    public function testWhatSlipsOverNothingIsNoCouplingForIt(): void
    {
        $answer = self::reckon(
            'cut-in',
            self::LINE + ['upstream' => self::SIDE, 'downstream' => ['coupling' => 'caulked'] + self::SIDE],
        );
        self::assertContains('cutin.noCoupling', self::found($answer));
        self::assertNull($answer['downstream']['coupling']);
        self::assertNotNull($answer['upstream']['coupling']);
    }

    public function testASleeveNeedsItsOwnInsertionAndTheGapToSlideBack(): void
    {
        $answer = self::reckon('cut-in', self::LINE + ['upstream' => self::SIDE, 'downstream' => self::SIDE]);
        $side = $answer['upstream'];
        self::assertSame('slide', $side['way']);
        self::assertEqualsWithDelta(
            2 * $side['insertion_mm'] + $side['gap_mm'],
            $side['slide_needs_mm'],
            1e-9,
        );
    }

    public function testNobodyLetsWaterDownBeforeAnythingElseIsDone(): void
    {
        $answer = self::reckon('cut-in', self::LINE + ['upstream' => self::SIDE, 'downstream' => self::SIDE]);
        self::assertSame('water-off', $answer['order'][0]['step']);
    }
}
