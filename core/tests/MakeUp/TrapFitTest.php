<?php

declare(strict_types=1);

namespace FallBend\Core\Tests\MakeUp;

use FallBend\Core\Catalog\Catalogue;
use FallBend\Core\Geometry\Vec3;
use FallBend\Core\Input\BadInput;
use FallBend\Core\MakeUp\TrapFit;
use FallBend\Core\Reckon\Reckoners;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;
use Random\Engine\Mt19937;
use Random\Randomizer;

final class TrapFitTest extends TestCase
{
    /**
     * A basin 300 in front of the wall and 40 to the side of the outlet; tailpiece end at 560, outlet at 450 over the
     * floor.
     */
    private const ASKED = [
        'fixture' => 'lavatory',
        'rulebook' => 'ipc-2021',
        'tailpiece' => ['at' => [40, 0, 560], 'size' => '1-1/4', 'length_mm' => 150],
        'outlet' => [
            'at' => [0, 300, 450],
            'along' => [0, 1, -0.0208],
            'system' => 'pvc-dwv-40',
            'size' => '1-1/2',
            'depth_mm' => 40,
        ],
        'trap' => [
            'pattern' => 'p',
            'size' => '1-1/2',
            'tall_mm' => 90,
            'reach_mm' => 100,
            'elbow_mm' => 20,
            'seal_mm' => 60,
        ],
    ];

    public function testWithoutALeastFallInTheBookNothingIsFittedAndTheFallIsAskedFor(): void
    {
        $outlet = ['system' => 'pvcu-solvent', 'size' => '40'] + self::ASKED['outlet'];
        $answer = self::reckon(['outlet' => $outlet]);
        self::assertSame(['fall.leastNotKnown'], array_column($answer['findings'], 'rule'));
        self::assertStringContainsString('has no least fall here for 40', $answer['findings'][0]['why']);
        self::assertSame([false, null, []], [$answer['fits'], $answer['arm'], $answer['cuts']]);
    }

    public function testTheArmLeadsStraightInWhereverTheLowerBendCanSwing(): void
    {
        $random = new Randomizer(new Mt19937(12));
        $reached = $not = 0;
        for ($i = 0; $i < 400; $i++) {
            $heading = deg2rad($random->getInt(0, 359));
            [$aside, $ahead, $reach] = [$random->getInt(-160, 160), $random->getInt(20, 600), $random->getInt(60, 140)];
            $along = new Vec3(sin($heading), cos($heading), 0.0);
            $right = new Vec3(cos($heading), -sin($heading), 0.0);
            $tail = new Vec3(0.0, 0.0, 500.0);
            $outlet = $along->times($ahead)->plus($right->times($aside))->plus(new Vec3(0.0, 0.0, 380.0));
            $fit = new TrapFit($tail, $outlet, $along, 100.0, (float) $reach, 20.0);
            if ($fit->armMm === null) {
                self::assertGreaterThan($reach, abs($aside));
                $not++;

                continue;
            }
            // Back along the arm from the outlet: there stands the leg of the trap, just as far from the tailpiece as
            // the bend reaches.
            $leg = $outlet->minus($along->times($fit->armMm));
            self::assertEqualsWithDelta($reach, hypot($leg->x, $leg->y), 0.6);
            self::assertEqualsWithDelta(500.0 - (380.0 + $fit->armMm * 0.02 + 100.0), $fit->highMm, 1e-6);
            $reached++;
        }
        self::assertGreaterThan(100, $reached);
        self::assertGreaterThan(50, $not);
    }

    public function testCutsAndHeightsComeOutAsByHand(): void
    {
        $answer = self::reckon();
        $swing = sqrt(100 ** 2 - 40 ** 2);
        self::assertEqualsWithDelta(300 - $swing, $answer['arm']['length_mm'], 1e-6);
        self::assertEqualsWithDelta(
            300 - $swing - 20 + 40,
            $answer['cuts'][0]['length_mm'],
            1e-6,
            'to the stop in the elbow, and 40 into the wall',
        );
        $rise = ((300 - $swing) * $answer['arm']['fall_mm_per_m']) / 1000;
        self::assertEqualsWithDelta(
            560 - 450 - $rise - 90,
            $answer['extend_mm'],
            1e-6,
            'the tailpiece ends so much too high',
        );
        self::assertSame(0.0, $answer['shorten_mm']);
        self::assertTrue($answer['fits']);
        self::assertSame(
            ['trap', 'extension tube', 'reducing washer', 'wall tube'],
            array_column($answer['parts'], 'part'),
        );
    }

    public function testATailpieceThatHangsTooLowIsShortenedAndNoFurtherThanThereIsOfIt(): void
    {
        $low = self::reckon(['tailpiece' => ['at' => [40, 0, 500], 'size' => '1-1/4', 'length_mm' => 150]]);
        self::assertGreaterThan(40, $low['shorten_mm']);
        self::assertContains('trap.shorten', array_column($low['steps'], 'step'));
        $much = self::reckon(['tailpiece' => ['at' => [40, 0, 350], 'size' => '1-1/4', 'length_mm' => 150]]);
        self::assertContains('trapfit.outletHigh', array_column($much['findings'], 'rule'));
        self::assertFalse($much['fits']);
    }

    public function testAnAdjustableTrapTakesUpWhatItCan(): void
    {
        $fixed = self::reckon();
        $adjusted = self::reckon(['trap' => ['adjust_mm' => 10] + self::ASKED['trap']]);
        self::assertEqualsWithDelta($fixed['extend_mm'] - 10, $adjusted['extend_mm'], 1e-6);
        self::assertSame(0.0, self::reckon(['trap' => ['adjust_mm' => 200] + self::ASKED['trap']])['extend_mm']);
    }

    /** @return iterable<string, array{array<string, mixed>, string}> what is different, the finding */
    public static function faults(): iterable
    {
        $with = static fn (string $part, array $more): array => [$part => $more + self::ASKED[$part]];
        yield 'a trap that nobody measured' => [['trap' => ['pattern' => 'p', 'size' => '1-1/2']], 'trapfit.measure'];
        yield 'too far to the side' => [$with('tailpiece', ['at' => [140, 0, 560]]), 'trapfit.aside'];
        yield 'into the floor' => [$with('outlet', ['at' => [60, 0, 100], 'along' => [0, 0, -1]]), 'trapfit.floor'];
        yield 'a kind that is not taken' => [$with('trap', ['pattern' => 'bell']), 'trap.kind'];
        yield 'too shallow a seal' => [$with('trap', ['seal_mm' => 40]), 'trap.seal'];
        yield 'a trap larger than the drain' => [$with('trap', ['size' => '2']), 'trap.larger'];
        yield 'a long way down to the weir' => [
            $with('tailpiece', ['at' => [40, 0, 1160], 'length_mm' => 60]),
            'trapfit.drop',
        ];
        yield 'through the floor of the cabinet' => [['cabinet_floor_mm' => 420], 'trapfit.cabinet'];
        yield 'a long way to the wall' => [$with('outlet', ['at' => [0, 2200, 450]]), 'trapfit.armLong'];
    }

    /** @param array<string, mixed> $with */
    #[DataProvider('faults')]
    public function testWhatStandsAgainstItIsSaidAndNothingElse(array $with, string $rule): void
    {
        self::assertSame([], self::reckon()['findings']);
        self::assertContains($rule, array_column(self::reckon($with)['findings'], 'rule'));
    }

    public function testWithoutTheMeasuresThereIsNoCutLength(): void
    {
        self::assertSame([], self::reckon(['trap' => ['pattern' => 'p', 'size' => '1-1/2']])['cuts']);
        self::assertSame(
            [],
            self::reckon(['outlet' => array_diff_key(self::ASKED['outlet'], ['depth_mm' => 1])])['cuts'],
        );
    }

    public function testBadInputNamesItsPlace(): void
    {
        foreach (
            [
                'tailpiece.at' => ['tailpiece' => ['at' => [1, 2]] + self::ASKED['tailpiece']],
                'outlet.along' => ['outlet' => ['along' => [0, 0, 0]] + self::ASKED['outlet']],
                'trap.pattern' => ['trap' => ['pattern' => 'u'] + self::ASKED['trap']],
                'fixture' => ['fixture' => 'hat'],
            ] as $field => $with
        ) {
            try {
                self::reckon($with);
                self::fail($field);
            } catch (BadInput $bad) {
                self::assertSame($field, $bad->field);
            }
        }
    }

    /**
     * @param array<string, mixed> $with
     * @return array<string, mixed>
     */
    private static function reckon(array $with = []): array
    {
        return (new Reckoners(Catalogue::shipped()))->reckon('trap-fit', [...self::ASKED, ...$with]);
    }
}
