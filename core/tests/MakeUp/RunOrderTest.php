<?php

declare(strict_types=1);

namespace FallBend\Core\Tests\MakeUp;

use FallBend\Core\Job\End;
use FallBend\Core\Job\RunEndKind;
use FallBend\Core\MakeUp\RunOrder;
use FallBend\Core\Tests\Fixtures;
use PHPUnit\Framework\TestCase;

final class RunOrderTest extends TestCase
{
    public function testARunBetweenAFixtureAndAStubIsMadeOnTheBenchAndPushedOn(): void
    {
        $order = RunOrder::of(
            Fixtures::layout('north 40 fall 1/4 / right 45° 30 fall 1/4', [
                'outlet' => new End('cap', RunEndKind::Cap),
            ]),
        )?->toArray();
        self::assertNotNull($order);
        self::assertTrue($order['goes']);
        self::assertSame(['stack'], $order['fixed']);
        $joints = array_merge(...array_column($order['steps'], 'joints'));
        sort($joints);
        self::assertSame(['1', '2', '3', '4'], $joints, 'every joint is made once');
        self::assertFalse($order['steps'][count($order['steps']) - 1]['on_bench'], 'last it is pushed on in place');
    }

    public function testARunBetweenTwoThatStandNeedsACouplingThatSlides(): void
    {
        $order = RunOrder::of(Fixtures::layout('north 40 fall 1/4 / right 45° 30 fall 1/4'))?->toArray();
        self::assertNotNull($order);
        self::assertFalse($order['goes']);
        self::assertNotSame([], $order['left']);
        self::assertContains([['joint' => '2', 'kind' => 'slide']], $order['frees']);
    }

    public function testHublessIronIsRolledAndGoesInAnywhere(): void
    {
        $order = RunOrder::of(
            Fixtures::layout('north 40 fall 1/4 / right 45° 30 fall 1/4', ['system' => 'ci-no-hub', 'size' => '3']),
        )?->toArray();
        self::assertTrue($order['goes'] ?? false);
    }
}
