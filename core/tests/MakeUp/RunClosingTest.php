<?php

declare(strict_types=1);

namespace FallBend\Core\Tests\MakeUp;

use FallBend\Core\Catalog\Catalogue;
use FallBend\Core\Job\End;
use FallBend\Core\Job\RunEndKind;
use FallBend\Core\MakeUp\RunClosing;
use FallBend\Core\Tests\Fixtures;
use PHPUnit\Framework\TestCase;
use Random\Engine\Mt19937;
use Random\Randomizer;

final class RunClosingTest extends TestCase
{
    private const TWO_LEGS = 'north 40 fall 0 / down 30';

    public function testOnlyARunBetweenTwoThatStandHasAJointToClose(): void
    {
        self::assertNull(self::closing(self::TWO_LEGS, ['outlet' => new End('cap', RunEndKind::Cap)]));
        self::assertNotNull(self::closing(self::TWO_LEGS));
    }

    public function testThePiecesThatStandSquareToAJointDoNotPutItOff(): void
    {
        // Two pieces square to one another: along either axis one reading of the gap, one of the piece, one cut.
        $closing = self::closing(self::TWO_LEGS);
        self::assertNotNull($closing);
        [$reading, $cutting] = [$closing['reading_mm'], $closing['cutting_mm']];
        $random = new Randomizer(new Mt19937(5));
        $closes = 0;
        for ($i = 0; $i < 40_000; $i++) {
            $off = array_sum(
                array_map(static fn (float $half): float => ($random->getInt(-10_000, 10_000) / 10_000) * $half, [
                    $reading,
                    $reading,
                    $cutting,
                ]),
            );
            $closes += $off >= -$closing['joints'][0]['short_mm'] && $off <= $closing['joints'][0]['long_mm'] ? 1 : 0;
        }
        self::assertCount(4, $closing['joints']);
        foreach ($closing['joints'] as $joint) {
            self::assertSame('glued', $joint['way']);
            self::assertEqualsWithDelta($closes / 40_000, $joint['chance'], 0.012);
        }
    }

    public function testALongerRunIsFurtherOffAndAnAngleCountsByItsCosine(): void
    {
        $short = self::closing(self::TWO_LEGS);
        $long = self::closing('north 40 fall 0 / right 30 fall 0 / left 30 fall 0 / right 30 fall 0');
        self::assertGreaterThan($short['joints'][0]['within_mm'] ?? 0, $long['joints'][0]['within_mm'] ?? 0);
        $eighth = self::closing('north 40 fall 0 / right 45° 30 fall 0');
        self::assertGreaterThan(
            $short['joints'][0]['within_mm'] ?? 0,
            $eighth['joints'][0]['within_mm'] ?? 0,
            'the second piece comes in with seven tenths',
        );
        self::assertLessThan($long['joints'][0]['within_mm'] ?? 0, $eighth['joints'][0]['within_mm'] ?? 0);
    }

    public function testWhatAFittingMayBeOffPutsTheLastJointOff(): void
    {
        $stated = self::closing(self::TWO_LEGS)['joints'][0]['chance'] ?? 0.0;
        $reckoned = self::closing('north 40 fall 0 / right 30 fall 0')['joints'][0]['chance'] ?? 1.0;
        self::assertLessThan(0.6 * $stated, $reckoned, 'a long sweep may be off by 1/4 in either way');
    }

    public function testARingThatLetsThePipeMoveClosesMoreOftenThanAGluedJoint(): void
    {
        $ring = self::closing('north 900 mm fall 20 mm/m', [
            'system' => 'pvcu-soil',
            'size' => '110',
        ]);
        $glued = self::closing('north 900 mm fall 20 mm/m', [
            'system' => 'abs-solvent',
            'size' => '40',
        ]);
        self::assertSame('ring', $ring['joints'][0]['way'] ?? '');
        self::assertGreaterThan(0.95, $ring['joints'][0]['chance'] ?? 0.0);
        self::assertLessThan(0.6, $glued['joints'][0]['chance'] ?? 1.0, 'it is as often too long as too short');
        self::assertSame(
            ['reading-error', 'cutting-error', 'closes-glued'],
            array_column($glued['sources'] ?? [], 'row'),
        );
    }

    /**
     * @param array<string, mixed> $with
     * @return array<string, mixed>|null
     */
    private static function closing(string $legs, array $with = []): ?array
    {
        return (new RunClosing(Fixtures::layout($legs, $with), Catalogue::shipped()))->toArray();
    }
}
