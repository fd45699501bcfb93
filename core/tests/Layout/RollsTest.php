<?php

declare(strict_types=1);

namespace FallBend\Core\Tests\Layout;

use FallBend\Core\Layout\Fitting;
use FallBend\Core\Tests\Fixtures;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;

/**
 * How each bend lies, checked against what a hand on the pipe would find: clockwise looking downstream, from the plane
 * of the bend before.
 */
final class RollsTest extends TestCase
{
    /**
     * @return iterable<string, array{string, list<float>}> call-out, rolls; legs dead level, so that the angles are
     *     plain
     */
    public static function runs(): iterable
    {
        yield 'first bend up is 0, right 90, down 180, left −90' => ['north 40 level / right 45° 40 level', [90]];
        yield 'left' => ['north 40 level / left 45° 40 level', [-90]];
        yield 'down' => ['north 40 level / down 45° 40', [180]];
        yield 'up' => ['north 40 level / up 45° 40', [0]];
        yield 'first bend of an upright run, from north' => ['down 40 / north 40 level with long sweep', [0]];
        yield 'the same to the east' => ['down 40 / east 40 level with long sweep', [90]];
        yield 'the same to the west' => ['down 40 / west 40 level with long sweep', [-90]];
        yield 'turning the same way again' => ['north 40 level / right 45° 40 level / right 45° 40 level', [90, 0]];
        yield 'turning back' => ['north 40 level / right 45° 40 level / left 45° 40 level', [90, 180]];
        yield 'right, then down' => ['north 40 level / right 45° 40 level / down 45° 40', [90, 90]];
        yield 'right, then up' => ['north 40 level / right 45° 40 level / up 45° 40', [90, -90]];
        yield 'left, then down' => ['north 40 level / left 45° 40 level / down 45° 40', [-90, -90]];
        yield 'couplings do not count' => ['north 40 level / right 45° 40 level / on 40 / right 45° 40 level', [90, 0]];
    }

    /** @param list<float> $rolls */
    #[DataProvider('runs')]
    public function testBendsLieAsTheyTurn(string $callOut, array $rolls): void
    {
        self::assertEqualsWithDelta($rolls, self::rolls($callOut), 1e-6);
    }

    /** Mirrored in plan, a run has every roll the other way round; its lengths are the same. */
    public function testAMirroredRunIsRolledTheOtherWay(): void
    {
        mt_srand(12);
        for ($i = 0; $i < 200; $i++) {
            $legs = ['north 60 fall 1/4'];
            for ($n = mt_rand(1, 5); $n > 0; $n--) {
                $legs[] =
                    ['left', 'right', 'down', 'left 45°', 'right 70°', 'right 22.5°'][mt_rand(0, 5)].
                    ' '.
                    mt_rand(20, 90);
            }
            $run = implode(' / ', $legs);
            $mirrored = strtr($run, ['left' => 'right', 'right' => 'left']);
            foreach (array_map(null, self::rolls($run), self::rolls($mirrored)) as [$a, $b]) {
                self::assertEqualsWithDelta(
                    0,
                    fmod($a + $b + 720, 360) > 180 ? fmod($a + $b + 720, 360) - 360 : fmod($a + $b + 720, 360),
                    1e-5,
                    $run,
                );
            }
            $cuts = static fn (string $callOut): array => array_map(
                static fn ($piece): float => $piece->cutMm,
                Fixtures::layout($callOut)->pieces,
            );
            self::assertEqualsWithDelta($cuts($run), $cuts($mirrored), 1e-6, $run);
        }
    }

    /** Turned to another point of the compass, nothing changes but the roll of a first bend on upright pipe. */
    public function testAHeadingChangesNothingOfALevelRun(): void
    {
        $callOut = 'on 40 fall 1/4 / right 70° 30 / down 20 / left 40 / left 45° 30';
        foreach ([30.0, 90.0, 211.0] as $heading) {
            self::assertEqualsWithDelta(self::rolls($callOut), self::rolls($callOut, ['headingDeg' => $heading]), 1e-6);
            self::assertEqualsWithDelta(
                Fixtures::layout($callOut)->fallMm(),
                Fixtures::layout($callOut, ['headingDeg' => $heading])->fallMm(),
                1e-6,
            );
        }
    }

    /**
     * @param array<string, mixed> $with
     * @return list<float>
     */
    private static function rolls(string $callOut, array $with = []): array
    {
        $bends = array_filter(
            Fixtures::layout($callOut, $with)->fittings,
            static fn (Fitting $fitting): bool => $fitting->rollDeg !== null,
        );

        return array_values(array_map(static fn (Fitting $fitting): float => (float) $fitting->rollDeg, $bends));
    }
}
