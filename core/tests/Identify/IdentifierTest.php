<?php

declare(strict_types=1);

namespace FallBend\Core\Tests\Identify;

use FallBend\Core\Catalog\Catalogue;
use FallBend\Core\Reckon\Reckoners;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;

final class IdentifierTest extends TestCase
{
    /**
     * @return iterable<string, array{array<string, mixed>, list<string>, ?string}> evidence, the first candidates in
     *     order, the next check
     */
    public static function pipes(): iterable
    {
        $string = static fn (float $inches): array => [
            'circumference_mm' => $inches * 25.4,
            'reading_error_mm' => 3.175,
        ];
        $calliper = static fn (float $inches): array => ['od_mm' => $inches * 25.4, 'reading_error_mm' => 0.4];
        yield '4 in iron, two kinds overlap' => [
            $string(13.625) + ['magnet' => true, 'region' => 'us'],
            ['ci-hub-service/4', 'ci-no-hub/4'],
            'joint',
        ];
        yield '4 in iron with a bell' => [
            $string(13.625) + ['magnet' => true, 'region' => 'us', 'joint_seen' => 'iron-bell'],
            ['ci-hub-service/4'],
            null,
        ];
        yield '4 in thick' => [
            $calliper(4.5) + ['magnet' => false, 'region' => 'us', 'colour' => 'white', 'print' => 'PVC SCH 40 DWV'],
            ['pvc-dwv-40/4'],
            null,
        ];
        yield '4 in thin' => [
            $calliper(4.215) + ['magnet' => false, 'region' => 'us', 'colour' => 'green'],
            ['pvc-sewer-sdr35/4'],
            null,
        ];
        yield '3 in iron or plastic, black' => [
            ['od_mm' => 88.9, 'reading_error_mm' => 3.2, 'colour' => 'black', 'joint_seen' => 'bell', 'region' => 'us'],
            ['ci-hub-extra/3'],
            'magnet',
        ];
        yield '3 in black, a magnet holds' => [
            [
                'od_mm' => 88.9,
                'reading_error_mm' => 3.2,
                'colour' => 'black',
                'joint_seen' => 'bell',
                'region' => 'us',
                'magnet' => true,
            ],
            ['ci-hub-extra/3', 'ci-hub-service/3'],
            'calliper',
        ];
        yield '3 in black, none holds' => [
            [
                'od_mm' => 88.9,
                'reading_error_mm' => 3.2,
                'colour' => 'black',
                'region' => 'us',
                'magnet' => false,
                'joint_seen' => 'solvent-socket',
            ],
            ['abs-cellular-40/3', 'abs-dwv-40/3'],
            'print',
        ];
        yield '1-1/4 tube' => [
            $calliper(1.25) + ['colour' => 'chrome', 'region' => 'us'],
            ['tubular-brass/1-1/4'],
            null,
        ];
        yield '1-1/4 pipe' => [
            $calliper(1.66) + ['colour' => 'white', 'region' => 'us', 'print' => 'PVC D2665'],
            ['pvc-dwv-40/1-1/4'],
            null,
        ];
        yield '32 solvent' => [
            [
                'od_mm' => 36.3,
                'reading_error_mm' => 0.4,
                'region' => 'uk',
                'colour' => 'white',
                'print' => 'ABS EN 1455',
            ],
            ['abs-solvent/32'],
            null,
        ];
        yield '32 push-fit' => [
            ['od_mm' => 34.6, 'reading_error_mm' => 0.4, 'region' => 'uk'],
            ['pp-push-fit/32'],
            null,
        ];
        yield '32, by a string, either' => [
            ['circumference_mm' => 111.4, 'reading_error_mm' => 4, 'region' => 'uk'],
            ['abs-solvent/32', 'pvcu-solvent/32', 'pp-push-fit/32'],
            'print',
        ];
        yield 'water tube' => [
            $calliper(1.625) + ['colour' => 'cream', 'print' => 'CPVC CTS SDR 11 100 PSI'],
            ['cpvc-cts/1-1/2'],
            null,
        ];
        yield 'the print beats the paint' => [
            $calliper(2.375) + ['colour' => 'painted', 'print' => 'ABS D2661'],
            ['abs-dwv-40/2'],
            null,
        ];
    }

    /**
     * @param array<string, mixed> $evidence
     * @param list<string> $first
     */
    #[DataProvider('pipes')]
    public function testRanks(array $evidence, array $first, ?string $check): void
    {
        $answer = self::identify($evidence);
        $names = array_map(static fn (array $c): string => "{$c['system']}/{$c['size']}", $answer['candidates']);
        self::assertSame($first, array_slice($names, 0, count($first)));
        if ($check !== null) {
            self::assertSame($check, $answer['next_check']['by'] ?? null);
        }
        self::assertEqualsWithDelta(
            1.0,
            array_sum(array_column($answer['candidates'], 'likelihood')) + $answer['none']['likelihood'],
            0.05,
        );
        foreach ($answer['candidates'] as $candidate) {
            self::assertNotSame([], $candidate['because']);
        }
    }

    /** The model as stated: two irons whose tolerances overlap at the reading share it by their densities. */
    public function testLikelihoodsFollowTheStatedModel(): void
    {
        $answer = self::identify([
            'od_mm' => 110.6,
            'reading_error_mm' => 0.001,
            'magnet' => true,
            'region' => 'us',
            'joint_seen' => 'none',
        ]);
        $shares = array_column($answer['candidates'], 'likelihood', 'system');
        // Inside both tolerances the density is one over the width: service 4.58 mm wide, no-hub 3.556 mm wide.
        self::assertEqualsWithDelta(4.58 / 3.556, $shares['ci-no-hub'] / $shares['ci-hub-service'], 0.02);
    }

    public function testAFinerMeasureIsOnlyAskedForWhereItDecides(): void
    {
        $overlap = self::identify([
            'circumference_mm' => 346.0,
            'reading_error_mm' => 3.2,
            'magnet' => true,
            'region' => 'us',
        ])['next_check'];
        self::assertFalse($overlap['calliper_decides']);
        self::assertStringContainsString('caliper will not', $overlap['how']);
        self::assertSame(['iron-bell', 'band'], array_column($overlap['answers'], 'value'));
        $apart = self::identify([
            'circumference_mm' => 345.0,
            'reading_error_mm' => 25,
            'magnet' => false,
            'region' => 'us',
            'colour' => 'white',
            'print' => 'x',
            'joint_seen' => 'solvent-socket',
            'wall_mm' => 4.5,
        ])['next_check'];
        self::assertSame('calliper', $apart['by']);
    }

    public function testWhatIsOutSaysWhy(): void
    {
        $out = array_column(
            self::identify([
                'circumference_mm' => 346.0,
                'reading_error_mm' => 3.2,
                'magnet' => true,
                'region' => 'us',
            ])['excluded'],
            'out',
            'system',
        );
        self::assertSame('out: magnet holds', $out['pvc-sewer-sdr35']);
    }

    /** Grey, as wide as 2 in iron, and no magnet holds: lead and asbestos cement look like that. */
    public function testWhatMayBeLeadOrAsbestosCementIsNotCalledIron(): void
    {
        foreach (
            [
                ['od_mm' => 59.7, 'reading_error_mm' => 0.4],
                ['od_mm' => 59.0, 'reading_error_mm' => 0.1],
                ['circumference_mm' => 187.5, 'reading_error_mm' => 3.2],
            ] as $reading
        ) {
            $answer = self::identify($reading + ['colour' => 'grey', 'magnet' => false, 'region' => 'us']);
            self::assertSame([], preg_grep('/^(ci-|steel)/', array_column($answer['candidates'], 'system')));
            self::assertStringContainsString('asbestos cement', (string) $answer['none']['stop']);
            self::assertStringContainsString('Stop before you cut', (string) $answer['none']['stop']);
            self::assertGreaterThan(0.05, $answer['none']['likelihood']);
        }
        $bare = self::identify([
            'od_mm' => 59.0,
            'reading_error_mm' => 0.1,
            'colour' => 'grey',
            'magnet' => false,
            'region' => 'us',
        ]);
        self::assertTrue($bare['none']['is_likeliest']);
        self::assertStringContainsString('no table here has', $bare['none']['say']);
    }

    public function testADiameterAloneNeverDecides(): void
    {
        for ($mm = 30.0; $mm < 330; $mm += 2.3) {
            $answer = self::identify(['od_mm' => $mm, 'reading_error_mm' => 0.4]);
            self::assertGreaterThan(0.0, $answer['none']['likelihood']);
            self::assertLessThan(0.995, $answer['candidates'][0]['likelihood'] ?? 0.0, "{$mm} mm");
        }
        self::assertTrue(self::identify(['od_mm' => 400, 'reading_error_mm' => 1])['none']['is_likeliest']);
    }

    public function testIronIsTakenForIronOnlyAfterAMagnetHeld(): void
    {
        $check = self::identify(['od_mm' => 58.2, 'reading_error_mm' => 0.4, 'region' => 'us', 'colour' => 'brown'])[
            'next_check'
        ];
        self::assertSame('magnet', $check['by']);
        self::assertSame(
            [['none of these']],
            array_values(
                array_filter(
                    array_column($check['answers'], 'leads_to'),
                    static fn (array $to): bool => $to === ['none of these'],
                ),
            ),
        );
        $grey = self::identify([
            'od_mm' => 110.2,
            'reading_error_mm' => 0.4,
            'region' => 'uk',
            'colour' => 'grey',
            'magnet' => false,
        ]);
        self::assertSame(
            ['pvcu-soil', null],
            [$grey['candidates'][0]['system'], $grey['none']['stop']],
            'plastic is still plastic',
        );
    }

    /**
     * @param array<string, mixed> $evidence
     * @return array<string, mixed>
     */
    private static function identify(array $evidence): array
    {
        return (new Reckoners(Catalogue::shipped()))->reckon('identify', $evidence);
    }
}
