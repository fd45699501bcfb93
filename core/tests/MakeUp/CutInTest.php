<?php

declare(strict_types=1);

namespace FallBend\Core\Tests\MakeUp;

use FallBend\Core\Catalog\Catalogue;
use FallBend\Core\Reckon\Reckoners;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;

/** A branch fitting cut into a standing line, reckoned by hand beside it. */
final class CutInTest extends TestCase
{
    /**
     * A no-hub wye into a no-hub line of 3 in: measured fitting, catalogue couplings of 2-1/8 in with a ridge of 1/8
     * in.
     */
    private const ASKED = [
        'pipe' => ['system' => 'ci-no-hub', 'size' => '3', 'length_mm' => 2400],
        'fitting' => ['system' => 'pvc-dwv-40', 'row' => 'wye/3x2'],
        'centre_at_mm' => 1200,
        'kerf_mm' => 2.5,
        'rulebook' => 'ipc-2021',
        'upstream' => ['slide_room_mm' => 0, 'insertion_mm' => 25, 'fixed' => true],
        'downstream' => ['slide_room_mm' => 0, 'insertion_mm' => 25, 'fixed' => true],
        'overrides' => [
            'catalogue' => [
                ['table' => 'pvc-dwv-40', 'row' => 'wye/3x2', 'field' => 'run_in_mm', 'value' => 60],
                ['table' => 'pvc-dwv-40', 'row' => 'wye/3x2', 'field' => 'run_out_mm', 'value' => 110],
            ],
        ],
    ];

    public function testMarksAndStubsComeOutAsByHand(): void
    {
        $answer = self::reckon();
        $catalogue = Catalogue::shipped();
        $depth = $catalogue->system('pvc-dwv-40')->pipe('3')->socketDepthMm;
        $gap = $answer['upstream']['gap_mm'];
        self::assertEqualsWithDelta([$depth + 25, $depth + 25], $answer['stubs_mm'], 1e-9);
        self::assertEqualsWithDelta(1200 - 60 - $depth - 25 - $gap, $answer['cut_marks_mm'][0], 1e-9);
        self::assertEqualsWithDelta(1200 + 110 + $depth + 25 + $gap, $answer['cut_marks_mm'][1], 1e-9);
        self::assertEqualsWithDelta(
            $answer['cut_marks_mm'][1] - $answer['cut_marks_mm'][0] - 5.0,
            $answer['piece_out_mm'],
            1e-9,
            'both kerfs lie in what comes out',
        );
    }

    public function testWhatIsLooseIsWeighedEmptyAndFull(): void
    {
        $answer = self::reckon();
        $pipe = Catalogue::shipped()->system('ci-no-hub')->pipe('3');
        self::assertEqualsWithDelta(
            ($answer['cut_marks_mm'][0] / 1000) * $pipe->kgPerM,
            $answer['released_kg']['up'],
            1e-9,
        );
        self::assertEqualsWithDelta(
            ((2400 - $answer['cut_marks_mm'][1]) / 1000) * $pipe->kgPerM,
            $answer['released_kg']['down'],
            1e-9,
        );
        self::assertGreaterThan($answer['released_kg']['up'], $answer['released_kg']['up_full']);
        $order = array_column($answer['order'], 'step');
        self::assertLessThan(
            array_search('cut.up', $order, true),
            array_search('hang.down', $order, true),
            'both sides hang before the first cut',
        );
    }

    /**
     * @return iterable<string, array{array<string, mixed>, bool, string, ?string}> what is different, whether it
     *     closes, the finding, how the upstream coupling gets out of the way
     */
    public static function cases(): iterable
    {
        yield 'rolled back, where there is no bare pipe' => [[], true, '', 'roll-back'];
        yield 'slid back, where there is' => [
            ['upstream' => ['slide_room_mm' => 120, 'insertion_mm' => 25]],
            true,
            '',
            'slide',
        ];
        yield 'a hair too little to slide' => [
            ['upstream' => ['slide_room_mm' => 52, 'insertion_mm' => 25]],
            true,
            '',
            'roll-back',
        ];
        yield 'no insertion known' => [['upstream' => ['slide_room_mm' => 0]], false, 'cutin.measureCoupling', null];
        yield 'no fitting measured' => [['overrides' => []], true, 'cutin.measureFitting', 'roll-back'];
        $plastic = ['pipe' => ['system' => 'pvc-dwv-40', 'size' => '3', 'length_mm' => 2400]];
        yield 'a solvent coupling does not roll' => [$plastic, false, 'cutin.noRoom', null];
        yield 'but slides, where there is bare pipe' => [
            $plastic + [
                'upstream' => ['slide_room_mm' => 300, 'insertion_mm' => 38],
                'downstream' => ['slide_room_mm' => 300, 'insertion_mm' => 38],
            ],
            true,
            '',
            'slide',
        ];
        yield 'too near the end of the piece' => [['centre_at_mm' => 130], false, 'cutin.offPiece', 'roll-back'];
        yield 'too near the other end' => [['centre_at_mm' => 2300], false, 'cutin.offPiece', 'roll-back'];
    }

    /** @param array<string, mixed> $with */
    #[DataProvider('cases')]
    public function testWhetherItClosesAndWhatStandsAgainstIt(
        array $with,
        bool $closes,
        string $rule,
        ?string $way,
    ): void {
        $answer = self::reckon($with);
        self::assertSame($closes, $answer['closes']);
        self::assertSame($way, $answer['upstream']['way']);
        $rules = array_column($answer['findings'], 'rule');
        $rule === '' ? self::assertSame([], $rules) : self::assertContains($rule, $rules);
    }

    public function testGivenStubsAreTaken(): void
    {
        self::assertEquals([150, 150], self::reckon(['stub_mm' => 150])['stubs_mm']);
    }

    /**
     * @param array<string, mixed> $with
     * @return array<string, mixed>
     */
    private static function reckon(array $with = []): array
    {
        $asked = [...self::ASKED, ...$with];
        if ($asked['overrides'] === []) {
            unset($asked['overrides']);
        }

        return (new Reckoners(Catalogue::shipped()))->reckon('cut-in', $asked);
    }
}
