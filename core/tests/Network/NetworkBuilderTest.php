<?php

declare(strict_types=1);

namespace FallBend\Core\Tests\Network;

use FallBend\Core\Catalog\Catalogue;
use FallBend\Core\Catalog\FixtureKind;
use FallBend\Core\Job\RunEndKind;
use FallBend\Core\Network\LoadedFixture;
use FallBend\Core\Network\Network;
use FallBend\Core\Network\Segment;
use PHPUnit\Framework\TestCase;

/** A small house whose loads, roles and ways of air are worked out by hand. */
final class NetworkBuilderTest extends TestCase
{
    /**
     * A stack with a basin below a closet; each with its own vent back into the stack; a sink on the drain at its foot
     * that nothing vents.
     */
    private const HOUSE = [
        'stack' => ['roof', 'down 160 / north 96 fall 1/4', 'socket', ['size' => '3', 'use' => 'drain']],
        'wc' => ['water-closet', 'north 40 fall 1/4', 'stack 1 2000', ['size' => '3']],
        'wc-vent' => ['vent off wc 1 500', 'up 40 / north 500 mm', 'stack 1 900', ['size' => '2']],
        'lav' => ['lavatory', 'east 40 fall 1/4', 'stack 1 2500', ['size' => '1-1/2']],
        'lav-vent' => ['vent off lav 1 500', 'up 50', 'valve', ['size' => '1-1/2']],
        'sink' => ['kitchen-sink', 'east 60 fall 1/4', 'stack 2 1200', ['size' => '2']],
    ];

    public function testRunsAreCutWhereOthersMeetThemAndWaterGoesDown(): void
    {
        $network = self::network(self::HOUSE);
        $cuts = [];
        foreach ($network->segments as $segment) {
            $cuts[$segment->run()][] = [round($segment->fromMm), round($segment->toMm)];
            self::assertGreaterThan(0, $segment->lengthMm());
        }
        self::assertSame(
            [[0.0, 900.0], [900.0, 2000.0], [2000.0, 2500.0], [2500.0, 5264.0], [5264.0, 6502.0]],
            $cuts['stack'],
        );
        self::assertSame([[0.0, 500.0], [500.0, 1016.0]], $cuts['wc']);
        self::assertCount(1, $cuts['lav-vent']);
        $order = array_flip(array_map(static fn (Segment $segment): int => $segment->index, $network->segments));
        foreach ($network->segments as $segment) {
            foreach ($network->out($segment->down) as $next) {
                self::assertLessThan($order[$next->index], $order[$segment->index], 'upstream before downstream');
            }
        }
    }

    public function testLoadsAddUpOnTheWayDown(): void
    {
        $loads = $this->along(
            self::network(self::HOUSE),
            'stack',
            static fn (Segment $segment): float => $segment->load,
        );
        // IPC table 709.1: closet 4 (3 for 1.6 gal private), lavatory 1, kitchen sink 2.
        $closet = Catalogue::shipped()->fixtures()->load(FixtureKind::WaterCloset, 'ipc-2021')->value ?? 0.0;
        self::assertSame([0.0, 0.0, $closet, $closet + 1.0, $closet + 3.0], $loads);
        self::assertSame(
            [0, 0, 1, 1, 1],
            $this->along(self::network(self::HOUSE), 'stack', static fn (Segment $segment): int => $segment->closets),
        );
    }

    public function testRolesSayWhatEveryPipeIs(): void
    {
        $network = self::network(self::HOUSE);
        $roles = static fn (Segment $segment): string => $segment->role();
        self::assertSame(
            ['dry-vent', 'dry-vent', 'wet-vent', 'wet-vent', 'drain'],
            $this->along($network, 'stack', $roles),
            'below the closet the stack is what the sink hangs on for air: it carries waste',
        );
        self::assertSame(['drain', 'drain'], $this->along($network, 'wc', $roles));
        self::assertSame(['dry-vent'], $this->along($network, 'lav-vent', $roles));
    }

    public function testAnArmEndsWhereAirMeetsItAndKnowsByWhat(): void
    {
        $arms = [];
        $network = self::network(self::HOUSE);
        foreach ($network->heads as $head) {
            $arms[$head->node->run] = $network->arm($head);
        }
        self::assertEqualsWithDelta(500.0, $arms['wc']->lengthMm ?? 0.0, 0.1);
        self::assertSame('wc-vent', $arms['wc']?->by?->run());
        self::assertFalse($arms['wc']->isWetVented());
        self::assertTrue($arms['lav']?->by !== null && $network->air($arms['lav']->by->up)?->isValve() === true);
        self::assertEqualsWithDelta(1524.0, $arms['sink']->lengthMm ?? 0.0, 0.1);
        self::assertTrue($arms['sink']?->isWetVented(), 'air comes down the stack, over the waste of the others');
        self::assertEqualsWithDelta(1524 * sin(atan(1 / 48)), $arms['sink']->dropMm, 0.01);
    }

    public function testOfTwoWaysTheDryOneIsTakenThenTheOpenOneThenTheShortOne(): void
    {
        $network = self::network(self::HOUSE);
        foreach ($network->nodes as $node) {
            $air = $network->air($node);
            if ($air !== null && $node->run === 'wc' && $node->junction !== null) {
                self::assertFalse($air->isWet);
                self::assertSame(RunEndKind::Roof, $air->terminal->end?->kind);
            }
        }
        $with = self::network(['v' => ['vent off lav 1 300', 'up 60', 'roof', ['size' => '1-1/2']]] + self::HOUSE);
        $arm = $with->arm(
            array_values(
                array_filter($with->heads, static fn (LoadedFixture $head): bool => $head->node->run === 'lav'),
            )[0],
        );
        self::assertSame('v', $arm?->by?->run(), 'the first that meets it');
    }

    public function testWhatComesInUnsaidLeavesTheLoadUnknownFromThereDown(): void
    {
        $network = self::network(
            ['x' => ['socket', 'west 30 fall 1/4', 'stack 1 2200', ['size' => '2', 'use' => 'drain']]] + self::HOUSE,
        );
        self::assertSame(
            [true, true, true, false, false, false],
            $this->along($network, 'stack', static fn (Segment $segment): bool => $segment->isLoadKnown),
        );
        self::assertCount(1, array_filter($network->unknownHeads, static fn ($node): bool => $node->run === 'x'));
    }

    public function testALoopIsLeftOverAndDoesNotHang(): void
    {
        $network = self::network([
            'a' => ['socket', 'north 60 fall 1/4', 'b 1 700'],
            'b' => ['socket', 'east 60 fall 1/4', 'a 1 700'],
        ]);
        self::assertNotSame([], $network->layout->loops);
    }

    public function testABathroomGroupCountsTogetherWhereTheRulebookHasIt(): void
    {
        $house = [
            'main' => ['socket', 'north 200 fall 1/4', 'socket', ['size' => '3', 'use' => 'drain']],
            'wc' => ['water-closet group=a', 'east 20 fall 1/4', 'main 1 1000', ['size' => '3']],
            'lav' => ['lavatory group=a', 'east 20 fall 1/4', 'main 1 2000'],
            'tub' => ['bath group=a', 'east 20 fall 1/4', 'main 1 3000'],
        ];
        $fixtures = Catalogue::shipped()->fixtures();
        $loads = $this->along(self::network($house), 'main', static fn (Segment $segment): float => $segment->load);
        $parts = array_sum(
            array_map(static fn (FixtureKind $kind): float => $fixtures->load($kind, 'ipc-2021')->value ?? 0.0, [
                FixtureKind::WaterCloset,
                FixtureKind::Lavatory,
                FixtureKind::Bath,
            ]),
        );
        self::assertEqualsWithDelta(
            min($parts, $fixtures->groups('ipc-2021')->bathrooms['']),
            end($loads),
            1e-9,
        );
        $apart = ['tub' => ['bath group=b', 'east 20 fall 1/4', 'main 1 3000']] + $house;
        $last = $this->along(self::network($apart), 'main', static fn (Segment $segment): float => $segment->load);
        self::assertEqualsWithDelta($parts, end($last), 1e-9, 'two bathrooms, neither whole');
    }

    /**
     * @template T
     *
     * @param callable(Segment): T $of
     * @return list<T> along the tape of a run
     */
    private function along(Network $network, string $run, callable $of): array
    {
        $segments = CaseJob::segments($network, $run);
        usort($segments, static fn (Segment $a, Segment $b): int => $a->fromMm <=> $b->fromMm);

        return array_map($of, $segments);
    }

    /** @param array<string, array{0: string, 1: string, 2: string, 3?: array<string, mixed>}> $runs */
    private static function network(array $runs): Network
    {
        return CaseJob::network('ipc-2021', $runs);
    }
}
