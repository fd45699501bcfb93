<?php

declare(strict_types=1);

namespace FallBend\Core\Tests\Network;

use FallBend\Core\Catalog\FixtureKind;
use FallBend\Core\Geometry\Vec3;
use FallBend\Core\Job\End;
use FallBend\Core\Job\FixtureHead;
use FallBend\Core\Job\RunEndKind;
use FallBend\Core\Network\AirWays;
use FallBend\Core\Network\ArmWalker;
use FallBend\Core\Network\Connections;
use FallBend\Core\Network\LoadedFixture;
use FallBend\Core\Network\Node;
use FallBend\Core\Network\Segment;
use FallBend\Core\Tests\Fixtures;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;

final class AirWaysTest extends TestCase
{
    /** @return iterable<string, array{bool, bool, bool}> whether each of two pipes is wet, and whether the air is */
    public static function ways(): iterable
    {
        yield 'dry all the way' => [false, false, false];
        yield 'wet above' => [true, false, true];
        yield 'wet below' => [false, true, true];
    }

    #[DataProvider('ways')]
    public function testAirThatComesThroughWaterOnceIsWet(bool $above, bool $below, bool $isWet): void
    {
        $roof = self::node(0, new End('roof', RunEndKind::Roof));
        [$middle, $foot] = [self::node(1), self::node(2)];
        $connections = new Connections;
        foreach (
            [[$roof, $middle, 1000.0, $above], [$middle, $foot, 500.0, $below]] as $i => [$up, $down, $long, $wet]
        ) {
            $segment = self::segment($i, $up, $down, $long);
            $segment->isWet = $wet;
            $connections->add($segment);
        }
        $air = new AirWays($connections);
        array_map($air->letDownTo(...), [$roof, $middle, $foot]);
        self::assertSame($isWet, $air->at($foot)?->isWet);
        self::assertSame($roof, $air->at($foot)->terminal);
        self::assertEqualsWithDelta(1500.0, $air->at($foot)->lengthMm, 1e-9);
        self::assertNull($air->at($roof)?->by);
    }

    public function testAnArmEndsWhereAVentMeetsItAndMarksTheWayOfItsAir(): void
    {
        $nodes = array_map(self::node(...), range(0, 3), [
            new End('basin', RunEndKind::Fixture),
            null,
            new End('roof', RunEndKind::Roof),
            null,
        ]);
        [$arm, $vent, $drain] = [
            self::segment(0, $nodes[0], $nodes[1], 700.0),
            self::segment(1, $nodes[2], $nodes[1], 2000.0, 'vent'),
            self::segment(2, $nodes[1], $nodes[3], 3000.0),
        ];
        $connections = new Connections;
        array_map($connections->add(...), [$arm, $vent, $drain]);
        $arm->isWet = $drain->isWet = true;
        $air = new AirWays($connections);
        array_map($air->letDownTo(...), [$nodes[0], $nodes[2], $nodes[1], $nodes[3]]);
        $head = new LoadedFixture($nodes[0], new FixtureHead(FixtureKind::Lavatory), 'basin', null);
        $walked = (new ArmWalker($connections, $air))->walk($head);
        $air->add($walked);

        self::assertSame([$arm], $walked->segments);
        self::assertSame([$nodes[1], $vent], [$walked->vent, $walked->by]);
        self::assertTrue($walked->isVentedBefore());
        self::assertFalse($walked->isWetVented());
        self::assertSame([$walked], $air->vents($vent));
        self::assertSame($walked, $air->arm($head));
        self::assertSame([], $air->vents($drain));
        self::assertSame(['dry-vent', 'drain'], [$vent->role(), $drain->role()]);
        $vent->isWet = true;
        self::assertFalse($walked->isVentedBefore(), 'waste runs in it');
        self::assertSame('wet-vent', $vent->role());
    }

    public function testAPipeIsNothingBeforeSomethingRunsInIt(): void
    {
        $segment = self::segment(0, self::node(0), self::node(1), 100.0);
        self::assertSame('dead', $segment->role());
        self::assertSame(
            [false, false],
            [$segment->isAboveStack, $segment->isDryVent()],
        );
        self::assertNull($segment->firstLeg());
        self::assertNull($segment->leastFallMmPerM());
        self::assertFalse($segment->hasUpright());
    }

    private static function node(int $index, ?End $end = null): Node
    {
        return new Node($index, 'r1', 0.0, new Vec3(0.0, 0.0, 0.0), $end, null);
    }

    private static function segment(int $index, Node $up, Node $down, float $long, string $use = 'drain'): Segment
    {
        return new Segment($index, Fixtures::layout('north 40', ['use' => $use]), 0.0, $long, [], false, $up, $down);
    }
}
