<?php

declare(strict_types=1);

namespace FallBend\Core\Tests\Network;

use FallBend\Core\Geometry\Vec3;
use FallBend\Core\Network\Connections;
use FallBend\Core\Network\Node;
use FallBend\Core\Network\Segment;
use FallBend\Core\Tests\Fixtures;
use PHPUnit\Framework\Attributes\TestWith;
use PHPUnit\Framework\TestCase;

final class ConnectionsTest extends TestCase
{
    #[TestWith([false])]
    #[TestWith([true])]
    public function testTheRunThatAPlaceStandsInGoesOnFirst(bool $isVentFirst): void
    {
        [$place, $below] = [self::node(0, 'drain'), self::node(1, 'drain')];
        $drain = self::segment(0, 'drain', $place, $below);
        $vent = self::segment(1, 'vent', $place, $below);
        $connections = new Connections;
        foreach ($isVentFirst ? [$vent, $drain] : [$drain, $vent] as $segment) {
            $connections->add($segment);
        }
        self::assertSame([$drain, $vent], $connections->out($place));
        self::assertSame([], $connections->in($place));
        self::assertEqualsCanonicalizing([0, 1], array_column($connections->in($below), 'index'));
    }

    public static function node(int $index, string $run): Node
    {
        return new Node($index, $run, 0.0, new Vec3(0.0, 0.0, 0.0), null, null);
    }

    private static function segment(int $index, string $run, Node $up, Node $down): Segment
    {
        return new Segment($index, Fixtures::layout('north 40', ['id' => $run]), 0.0, 1000.0, [], false, $up, $down);
    }
}
