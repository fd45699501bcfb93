<?php

declare(strict_types=1);

namespace FallBend\Core\Tests\Layout;

use FallBend\Core\Catalog\Catalogue;
use FallBend\Core\Layout\JobCompiler;
use FallBend\Core\Layout\Junction;
use FallBend\Core\Tests\Network\CaseJob;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;

/** Which branch fitting stands where two runs meet, and which way round. */
final class JunctionFinderTest extends TestCase
{
    private const STACK = ['roof', 'down 120 / north 96 fall 1/4', 'socket', ['size' => '3', 'use' => 'drain']];

    private const MAIN = ['socket', 'north 120 fall 1/4', 'socket', ['size' => '3', 'use' => 'drain']];

    /**
     * @return iterable<string, array{string, array<string, array<mixed>>, string, string}> rulebook, runs, what is
     *     chosen (`pattern size×branch` or what stands against it), how the water turns
     */
    public static function places(): iterable
    {
        $lav = static fn (string $legs, string $to, string $size = '1-1/2'): array => [
            'lavatory',
            $legs,
            $to,
            ['size' => $size],
        ];
        yield 'level into a stack: a sanitary tee' => [
            'ipc-2021',
            ['stack' => self::STACK, 'a' => $lav('east 30 fall 1/4', 'stack 1 1000')],
            'san-tee 3×1-1/2',
            'level-upright',
        ];
        yield 'the size of the branch' => [
            'ipc-2021',
            ['stack' => self::STACK, 'a' => $lav('east 30 fall 1/4', 'stack 1 1000', '2')],
            'san-tee 3×2',
            'level-upright',
        ];
        yield 'square into a level drain: a combination' => [
            'ipc-2021',
            ['main' => self::MAIN, 'a' => $lav('east 30 fall 1/4', 'main 1 1000', '2')],
            'combo 3×2',
            'level-level',
        ];
        yield 'at 45° into a level drain: a wye' => [
            'ipc-2021',
            ['main' => self::MAIN, 'a' => $lav('right 45° 30 fall 1/4', 'main 1 1000', '2')],
            'wye 3×2',
            'level-level',
        ];
        yield 'from above into a level drain: a combination' => [
            'ipc-2021',
            ['main' => self::MAIN, 'a' => $lav('down 30', 'main 1 1000', '2')],
            'combo 3×2',
            'upright-level',
        ];
        yield 'what the user asked for' => [
            'ipc-2021',
            ['main' => self::MAIN, 'a' => $lav('east 30 fall 1/4', 'main 1 1000 san-tee', '2')],
            'san-tee 3×2',
            'level-level',
        ];
        $closet = static fn (string $legs): array => [
            'water-closet',
            $legs,
            'stack 1 1000',
            ['system' => 'pvcu-soil', 'size' => '110'],
        ];
        yield 'two opposite on a UK stack' => [
            'adh-2015',
            [
                'stack' => ['roof', 'down 3000 mm', 'socket', ['system' => 'pvcu-soil', 'size' => '110']],
                'a' => $closet('east 800 mm fall 20 mm/m'),
                'b' => $closet('west 800 mm fall 20 mm/m'),
            ],
            'double-swept-tee 110×110',
            'level-upright',
        ];
        yield 'two opposite on a stack' => [
            'ipc-2021',
            [
                'stack' => self::STACK,
                'a' => $lav('east 30 fall 1/4', 'stack 1 1000', '2'),
                'b' => $lav('west 30 fall 1/4', 'stack 1 1000', '2'),
            ],
            'double-san-tee 3×2',
            'level-upright',
        ];
        yield 'a vent off a level drain stands up' => [
            'ipc-2021',
            ['main' => self::MAIN, 'v' => ['vent off main 1 1000', 'up 40', 'roof', ['size' => '2']]],
            'san-tee 3×2',
            'upright-level',
        ];
        yield 'where the rulebook refuses a tee on its back even dry' => [
            'upc-2021',
            ['main' => self::MAIN, 'v' => ['vent off main 1 1000', 'up 40', 'roof', ['size' => '2']]],
            'combo 3×2',
            'upright-level',
        ];
        yield 'against the flow' => [
            'ipc-2021',
            ['main' => self::MAIN, 'a' => $lav('south 30 fall 1/4', 'main 1 1000', '2')],
            'against-flow',
            '',
        ];
        yield 'at an angle that none makes' => [
            'ipc-2021',
            ['main' => self::MAIN, 'a' => $lav('left 70° 30 fall 1/4', 'main 1 1000', '2')],
            'no-angle',
            '',
        ];
        yield 'larger than what it enters' => [
            'ipc-2021',
            ['main' => self::MAIN, 'a' => $lav('east 30 fall 1/4', 'main 1 1000', '4')],
            'larger',
            '',
        ];
        yield 'two side by side' => [
            'ipc-2021',
            [
                'stack' => self::STACK,
                'a' => $lav('east 30 fall 1/4', 'stack 1 1000', '2'),
                'b' => $lav('north 30 fall 1/4', 'stack 1 1000', '2'),
            ],
            'not-opposite',
            '',
        ];
        yield 'beyond the leg' => [
            'ipc-2021',
            ['main' => self::MAIN, 'a' => $lav('east 30 fall 1/4', 'main 1 9000', '2')],
            'off-leg',
            '',
        ];
        yield 'a fitting that the catalogue has not' => [
            'ipc-2021',
            ['main' => self::MAIN, 'a' => $lav('east 30 fall 1/4', 'main 1 1000 swept-tee', '2')],
            'no-such-fitting',
            '',
        ];
        yield 'waste pipe into soil pipe: a boss' => [
            'adh-2015',
            [
                'stack' => [
                    'roof',
                    'down 4000 / north 2000',
                    'socket',
                    ['size' => '110', 'system' => 'pvcu-soil', 'use' => 'drain'],
                ],
                'a' => ['lavatory', 'east 600 fall 20 mm/m', 'stack 1 1000', ['size' => '40']],
            ],
            'boss 110×40',
            'level-upright',
        ];
    }

    /** @param array<string, array{0: string, 1: string, 2: string, 3?: array<string, mixed>}> $runs */
    #[DataProvider('places')]
    public function testChoosesWhatTheTradeUses(string $book, array $runs, string $chosen, string $orientation): void
    {
        $junction = self::junction($book, $runs, (string) array_key_first($runs));
        self::assertSame(
            $chosen,
            $junction->branch === null
                ? $junction->trouble?->value
                : "{$junction->branch->pattern} {$junction->branch->size}×{$junction->branch->branchSize}",
        );
        if ($orientation !== '') {
            self::assertSame($orientation, $junction->orientation->value);
            self::assertNull($junction->trouble);
        }
    }

    public function testInATurnTheVentComesStraightDownAndTheArmFromTheSide(): void
    {
        $runs = [
            'arm' => ['lavatory', 'east 30 fall 1/4 / down 40', 'socket', ['size' => '2']],
            'v' => ['vent off arm 2 turn', 'up 40', 'roof', ['size' => '2']],
        ];
        $junction = self::junction('ipc-2021', $runs, 'arm');
        self::assertTrue($junction->isTurn());
        self::assertSame('san-tee', $junction->branch?->pattern);
        self::assertSame($junction->branch->branchMm, $junction->takeInMm(), 'the arm enters the branch');
        self::assertSame($junction->branch->runOutMm, $junction->takeOutMm());
        self::assertSame($junction->branch->runInMm, $junction->seat()->takeMm, 'the vent stands in the run');
    }

    public function testARunThatRisesTakesTheFittingTheOtherWayRound(): void
    {
        $runs = [
            'main' => self::MAIN,
            'v' => ['vent off main 1 1000', 'up 80', 'roof', ['size' => '2']],
            'w' => ['vent off main 1 2000', 'up 40 / south 39 3/8', 'v 1 1016', ['size' => '2']],
        ];
        $junction = self::junction('ipc-2021', $runs, 'v');
        self::assertTrue($junction->isReversed);
        self::assertSame($junction->branch?->runOutMm, $junction->takeInMm());
        self::assertSame($junction->branch?->runInMm, $junction->takeOutMm());
        self::assertLessThan(0.0, $junction->flow->z, 'what condenses in it runs back');
    }

    public function testWhatIsOffTheAngleIsStrainInItsJoints(): void
    {
        $junction = self::junction(
            'ipc-2021',
            ['stack' => self::STACK, 'a' => ['lavatory', 'east 30 fall 1/4', 'stack 1 1000', ['size' => '2']]],
            'stack',
        );
        // A quarter inch a foot is 1.19° off square; the tee is made for it or shares it between two joints.
        self::assertEqualsWithDelta(
            abs($junction->angleDeg - ($junction->branch->turnDeg ?? 0.0)) / 2,
            $junction->strainDeg,
            1e-9,
        );
        self::assertEqualsWithDelta(rad2deg(acos(sin(atan(1 / 48)))), $junction->angleDeg, 1e-6);
    }

    /** @param array<string, array{0: string, 1: string, 2: string, 3?: array<string, mixed>}> $runs */
    private static function junction(string $book, array $runs, string $in): Junction
    {
        $catalogue = Catalogue::shipped();
        $compiled = (new JobCompiler($catalogue, $catalogue->rulebook($book), CaseJob::of($book, $runs)))->compile()
            ->runs[$in];
        self::assertCount(1, $compiled->site->junctions);

        return $compiled->site->junctions[0];
    }
}
