<?php

declare(strict_types=1);

namespace FallBend\Core\Tests\Hanging;

use FallBend\Core\Catalog\Catalogue;
use FallBend\Core\Hanging\Beam;
use FallBend\Core\Reckon\Reckoners;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;
use Random\Engine\Mt19937;
use Random\Randomizer;

final class BeamTest extends TestCase
{
    private const STEPS = 200;

    public function testAgreesWithFiniteDifferencesOnFiftySpans(): void
    {
        $random = new Randomizer(new Mt19937(44));
        for ($i = 0; $i < 51; $i++) {
            $ends = Beam::ENDS[$i % 3];
            [$span, $load, $stiffness] = [
                (float) $random->getInt(400, 5000),
                $random->getInt(5, 300) / 1000,
                $random->getInt(1, 400) * 1e7,
            ];
            $beam = new Beam($span, $load, $stiffness, $ends);
            $y = self::finiteDifferences($span, $load / $stiffness, $ends);
            $most = max([0.0, ...$y]);
            self::assertEqualsWithDelta($most, $beam->deflectionMm(), 0.005 * $most, "{$ends}, {$span}");
            $steepest = 0.0;
            foreach (array_slice($y, 1) as $n => $value) {
                $steepest = max($steepest, abs($value - $y[$n]) / ($span / self::STEPS));
                self::assertEqualsWithDelta($value, $beam->sagAt((($n + 1) * $span) / self::STEPS), 0.005 * $most);
            }
            self::assertEqualsWithDelta(
                1000 * $steepest,
                $beam->steepestMmPerM(),
                0.012 * 1000 * $steepest,
                'between two points it is not quite as steep as at its steepest',
            );
        }
    }

    public function testAPocketIsWhatWaterFillsUpToTheLip(): void
    {
        $random = new Randomizer(new Mt19937(45));
        $pockets = 0;
        for ($i = 0; $i < 90; $i++) {
            $beam = new Beam(
                (float) $random->getInt(800, 4000),
                $random->getInt(20, 200) / 1000,
                $random->getInt(1, 60) * 1e7,
                Beam::ENDS[$i % 3],
            );
            $fall = (float) $random->getInt(5, 30);
            $pocket = $beam->pocket($fall);
            // Water poured in everywhere stands, at every point, as high as the lowest lip further down.
            [$depth, $lip] = [0.0, -INF];
            for ($n = 4000; $n >= 0; $n--) {
                $height = ((-$fall / 1000) * $beam->spanMm * $n) / 4000 - $beam->sagAt(($beam->spanMm * $n) / 4000);
                $lip = max($lip, $height);
                $depth = max($depth, $lip - $height);
            }
            self::assertEqualsWithDelta($depth, $pocket['depth_mm'] ?? 0.0, max(0.002, 0.001 * $depth), $beam->ends);
            self::assertSame($pocket !== null, $beam->steepestMmPerM() > $fall);
            self::assertSame($pocket !== null, $beam->spanMm > $beam->longestSpanMm($fall));
            if ($pocket !== null) {
                self::assertGreaterThan($pocket['from_mm'], $pocket['deepest_mm']);
                self::assertGreaterThan($pocket['deepest_mm'], $pocket['over_mm']);
                $pockets++;
            }
        }
        self::assertGreaterThan(20, $pockets);
        self::assertLessThan(80, $pockets);
    }

    /** @return iterable<string, array{string, float, float}> ends, shares of w L⁴ / E I and w L³ / E I */
    public static function formulas(): iterable
    {
        yield 'simple' => ['simple', 5 / 384, 1 / 24];
        yield 'continuous' => ['continuous', 1 / 384, 0.0080188];
        yield 'at the end' => ['end', 1 / 185, 1 / 48];
    }

    #[DataProvider('formulas')]
    public function testTheHandFormulas(string $ends, float $deflection, float $slope): void
    {
        $beam = new Beam(2000.0, 0.05, 2e9, $ends);
        self::assertEqualsWithDelta(
            ($deflection * 0.05 * 2000 ** 4) / 2e9,
            $beam->deflectionMm(),
            0.002 * $beam->deflectionMm(),
        );
        self::assertEqualsWithDelta(
            (1000 * $slope * 0.05 * 2000 ** 3) / 2e9,
            $beam->steepestMmPerM(),
            1e-4 * $beam->steepestMmPerM(),
        );
    }

    public function testThePipeIsAsHeavyAndAsStiffAsItIs(): void
    {
        $asked = [
            'system' => 'pvc-dwv-40',
            'size' => '2',
            'span_mm' => 1219.2,
            'fill' => 1,
            'contents_c' => 23,
            'duration' => 'years',
            'ends' => 'simple',
            'fall_mm_per_m' => 20.8333,
        ];
        $full = self::reckon($asked);
        $pipe = Catalogue::shipped()->system('pvc-dwv-40')->pipe('2');
        $load = (9.80665 / 1000) * ($pipe->kgPerM + ((M_PI / 4) * $pipe->boreMm ** 2) / 1000);
        $inertia = (M_PI / 64) * ($pipe->outsideMm ** 4 - $pipe->boreMm ** 4);
        self::assertEqualsWithDelta((5 * $load * 1219.2 ** 4) / (384 * 970 * $inertia), $full['deflection_mm'], 1e-6);
        $half = self::reckon(['fill' => 0.5] + $asked);
        $empty = self::reckon(['fill' => 0] + $asked);
        self::assertEqualsWithDelta(
            ($full['deflection_mm'] + $empty['deflection_mm']) / 2,
            $half['deflection_mm'],
            1e-6,
            'half full is half the water',
        );
        self::assertGreaterThan($full['deflection_mm'], self::reckon(['span_mm' => 1300] + $asked)['deflection_mm']);
        $atLongest = self::reckon(['span_mm' => $full['longest_span_mm'] + 1] + $asked);
        self::assertTrue($atLongest['ponds']);
        self::assertFalse(self::reckon(['span_mm' => $full['longest_span_mm'] - 1] + $asked)['ponds']);
        self::assertSame(['sag.ponds'], array_column($atLongest['findings'], 'rule'));
    }

    public function testWhereNoTableStatesTheModulusItSaysSo(): void
    {
        $asked = [
            'system' => 'pvc-dwv-40',
            'size' => '2',
            'span_mm' => 1200,
            'fill' => 1,
            'duration' => 'years',
            'ends' => 'simple',
            'fall_mm_per_m' => 20,
        ];
        $hot = self::reckon(['contents_c' => 50] + $asked);
        self::assertSame(
            [null, null, ['sag.modulusNotKnown']],
            [$hot['deflection_mm'], $hot['ponds'], array_column($hot['findings'], 'rule')],
        );
        $hour = self::reckon(['contents_c' => 50, 'duration' => 'short'] + $asked);
        $cool = self::reckon(['contents_c' => 40, 'duration' => 'short'] + $asked);
        $warm = self::reckon(['contents_c' => 60, 'duration' => 'short'] + $asked);
        self::assertEqualsWithDelta(
            (1 / $cool['deflection_mm'] + 1 / $warm['deflection_mm']) / 2,
            1 / $hour['deflection_mm'],
            1e-9,
            'halfway between what is stated for 40 and 60',
        );
        self::assertNull(self::reckon(['contents_c' => 61, 'duration' => 'short'] + $asked)['deflection_mm']);
        self::assertNull(self::reckon(['system' => 'clay-c700', 'size' => '4'] + $asked)['deflection_mm']);
    }

    /**
     * y'''' = q, with y = 0 at both ends and y'' = 0 (turning) or y' = 0 (clamped), by differences of second order; the
     * free end of `end` is the lower one.
     *
     * @return list<float>
     */
    private static function finiteDifferences(float $span, float $q, string $ends): array
    {
        $n = self::STEPS;
        $h = $span / $n;
        $rows = [];
        for ($i = 1; $i < $n; $i++) {
            $row = [$i - 2 => 1.0, $i - 1 => -4.0, $i => 6.0, $i + 1 => -4.0, $i + 2 => 1.0];
            // A point beyond the end mirrors the first one inside: the same height where it is clamped, the opposite
            // where it turns.
            foreach (
                [[-1, 1, $ends === 'simple' ? -1.0 : 1.0], [$n + 1, $n - 1, $ends === 'continuous' ? 1.0 : -1.0]] as [$beyond, $inside, $sign]
            ) {
                if (isset($row[$beyond])) {
                    $row[$inside] += $sign * $row[$beyond];
                }
            }
            $rows[$i] = [
                array_filter($row, static fn (int $k): bool => $k > 0 && $k < $n, ARRAY_FILTER_USE_KEY),
                $q * $h ** 4,
            ];
        }
        for ($i = 1; $i < $n; $i++) {
            foreach ([$i + 1, $i + 2] as $below) {
                if (isset($rows[$below][0][$i])) {
                    $factor = $rows[$below][0][$i] / $rows[$i][0][$i];
                    foreach ($rows[$i][0] as $k => $value) {
                        $rows[$below][0][$k] = ($rows[$below][0][$k] ?? 0.0) - $factor * $value;
                    }
                    $rows[$below][1] -= $factor * $rows[$i][1];
                }
            }
        }
        $y = array_fill(0, $n + 1, 0.0);
        for ($i = $n - 1; $i > 0; $i--) {
            $sum = $rows[$i][1];
            foreach ([$i + 1, $i + 2] as $k) {
                $sum -= ($rows[$i][0][$k] ?? 0.0) * ($y[$k] ?? 0.0);
            }
            $y[$i] = $sum / $rows[$i][0][$i];
        }

        return array_values($y);
    }

    /**
     * @param array<string, mixed> $asked
     * @return array<string, mixed>
     */
    private static function reckon(array $asked): array
    {
        return (new Reckoners(Catalogue::shipped()))->reckon('sag', $asked);
    }
}
