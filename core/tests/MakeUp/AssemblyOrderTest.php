<?php

declare(strict_types=1);

namespace FallBend\Core\Tests\MakeUp;

use FallBend\Core\Effort\Effort;
use FallBend\Core\Geometry\Vec3;
use FallBend\Core\MakeUp\AssemblyOrder;
use FallBend\Core\MakeUp\Freeing;
use FallBend\Core\MakeUp\Move;
use FallBend\Core\MakeUp\PlannedJoint;
use PHPUnit\Framework\TestCase;
use Random\Engine\Mt19937;
use Random\Randomizer;

final class AssemblyOrderTest extends TestCase
{
    private const AXES = ['east' => [1, 0, 0], 'west' => [-1, 0, 0], 'north' => [0, 1, 0]];

    public function testATeeIntoALineFixedAtBothEndsGoesInOnlyWithACouplingThatIsSlidOrRolled(): void
    {
        // The line runs east: the upstream pipe is pushed east into the tee, which is pushed east onto the downstream
        // one.
        $joints = [self::joint('1', 'up', 'tee', 'west'), self::joint('2', 'tee', 'down', 'west')];
        $order = new AssemblyOrder(['up', 'tee', 'down'], $joints, ['up', 'down']);
        self::assertNull($order->find());
        self::assertNotSame([], $order->left());
        self::assertEqualsCanonicalizing(
            [['1' => 'roll'], ['2' => 'roll']],
            Freeing::changesFor(['up', 'tee', 'down'], $joints, ['up', 'down']),
            'there is no bare pipe to slide a coupling back on',
        );
        $withRoom = [$joints[0], self::joint('2', 'tee', 'down', 'west', 'push', 80.0)];
        self::assertContains(['2' => 'slide'], Freeing::changesFor(['up', 'tee', 'down'], $withRoom, ['up', 'down']));
        $less = [$joints[0], self::joint('2', 'tee', 'down', 'west', 'push', 79.0)];
        self::assertNotContains(
            ['2' => 'slide'],
            Freeing::changesFor(['up', 'tee', 'down'], $less, ['up', 'down']),
            'its whole length has to go onto bare pipe',
        );
        $moves = (new AssemblyOrder(
            ['up', 'tee', 'down'],
            [$joints[0], $joints[1]->as('roll')],
            ['up', 'down'],
        ))->find();
        self::assertNotNull($moves);
        self::assertSame(
            [['1', '2']],
            array_map(static fn (Move $move): array => $move->joints, $moves),
            'the tee is pushed on, and the sleeve rolled over',
        );
        self::assertSame(['tee'], $moves[0]->pieces);
        self::assertSame(-1.0, $moves[0]->along?->x);
    }

    public function testASearchThatIsCutShortSaysSo(): void
    {
        // A ring of four pushed pieces, which cannot be closed, takes more than two steps to find that out.
        $joints = [
            self::joint('1', 'a', 'b', 'east'),
            self::joint('2', 'b', 'c', 'north'),
            self::joint('3', 'c', 'd', 'east'),
            self::joint('4', 'd', 'a', 'north'),
        ];
        $whole = new AssemblyOrder(['a', 'b', 'c', 'd'], $joints, []);
        self::assertNull($whole->find());
        self::assertTrue($whole->isWhole());
        $short = new AssemblyOrder(['a', 'b', 'c', 'd'], $joints, [], Effort::of(2));
        self::assertNull($short->find());
        self::assertFalse($short->isWhole());
    }

    public function testALineThatIsFixedAtOneEndGoesTogetherAndMovesNothingThatStands(): void
    {
        $pieces = ['stub', 'a', 'bend', 'b', 'trap'];
        $joints = [
            self::joint('1', 'stub', 'a', 'east'),
            self::joint('2', 'a', 'bend', 'east'),
            self::joint('3', 'bend', 'b', 'north'),
            self::joint('4', 'b', 'trap', 'north'),
        ];
        $moves = (new AssemblyOrder($pieces, $joints, ['stub']))->find();
        self::assertNotNull($moves);
        self::assertEqualsCanonicalizing(
            ['1', '2', '3', '4'],
            array_merge(...array_map(static fn (Move $move): array => $move->joints, $moves)),
        );
        foreach ($moves as $move) {
            self::assertNotContains('stub', $move->pieces);
        }
        self::assertTrue($moves[0]->isOnBench);
        self::assertFalse($moves[count($moves) - 1]->isOnBench);
    }

    public function testAHookGoesOntoTwoStubsThatPointTheSameWay(): void
    {
        // Two stubs in one wall, a piece bridging them: pushed on both at once.
        $joints = [self::joint('1', 'left', 'bridge', 'north'), self::joint('2', 'right', 'bridge', 'north')];
        $moves = (new AssemblyOrder(['left', 'right', 'bridge'], $joints, ['left', 'right']))->find();
        self::assertSame([['1', '2']], array_map(static fn (Move $move): array => $move->joints, $moves ?? []));
        $across = [$joints[0], self::joint('2', 'right', 'bridge', 'east')];
        self::assertNull((new AssemblyOrder(['left', 'right', 'bridge'], $across, ['left', 'right']))->find());
    }

    public function testAnOrderIsFoundThatIsNotTheFirstOneTried(): void
    {
        // The ring closes only if the two halves are made on the bench, and pushed on together at the end.
        $joints = [
            self::joint('1', 'a', 'b', 'north'),
            self::joint('2', 'c', 'd', 'north'),
            self::joint('3', 'a', 'c', 'east'),
            self::joint('4', 'b', 'd', 'east'),
        ];
        $moves = (new AssemblyOrder(['a', 'b', 'c', 'd'], $joints, ['a']))->find();
        self::assertNotNull($moves);
        self::assertSame(['3', '4'], $moves[count($moves) - 1]->joints);
    }

    public function testALongLineTakesNoLongerThanItIs(): void
    {
        $pieces = array_map(static fn (int $i): string => "p{$i}", range(0, 60));
        $joints = array_map(
            static fn (int $i): PlannedJoint => self::joint("j{$i}", "p{$i}", 'p'.($i + 1), ['east', 'north'][$i % 2]),
            range(0, 59),
        );
        self::assertCount(60, (new AssemblyOrder($pieces, $joints, ['p0']))->find() ?? []);
    }

    public function testAgreesWithTryingEveryOrderOnAllArrangementsOfUpToFourJoints(): void
    {
        [$yes, $no] = [0, 0];
        foreach ([2, 3] as $pieces) {
            foreach (self::arrangements($pieces, $pieces === 2 ? 3 : 4) as $joints) {
                for ($mask = 0; $mask < 2 ** $pieces; $mask++) {
                    self::agree($pieces, $joints, $mask) ? $yes++ : $no++;
                }
            }
        }
        // Four and five pieces: every tree and ring of up to four joints, in every direction and kind.
        foreach (
            [
                [4, [[0, 1], [1, 2], [2, 3]]],
                [4, [[0, 1], [0, 2], [0, 3]]],
                [4, [[0, 1], [1, 2], [2, 3], [3, 0]]],
                [4, [[0, 1], [1, 2], [2, 0], [2, 3]]],
                [5, [[0, 1], [1, 2], [2, 3], [3, 4]]],
                [5, [[0, 1], [0, 2], [0, 3], [3, 4]]],
            ] as [$pieces, $pairs]
        ) {
            $count = count($pairs);
            for ($code = 0; $code < 6 ** $count; $code++) {
                $joints = [];
                foreach ($pairs as $i => [$a, $b]) {
                    $digit = intdiv($code, 6 ** $i) % 6;
                    $joints[] = self::joint(
                        "j{$i}",
                        "p{$a}",
                        "p{$b}",
                        array_keys(self::AXES)[$digit % 3],
                        $digit < 3 ? 'push' : 'roll',
                    );
                }
                self::agree($pieces, $joints, [0, 1, 2 ** ($pieces - 1) + 1, 5][$code % 4]) ? $yes++ : $no++;
            }
        }
        self::assertGreaterThan(1000, $yes);
        self::assertGreaterThan(1000, $no);
    }

    public function testAgreesWithTryingEveryOrderOnThreeHundredLargerOnes(): void
    {
        $random = new Randomizer(new Mt19937(77));
        [$yes, $no] = [0, 0];
        for ($i = 0; $i < 300; $i++) {
            $pieces = $random->getInt(3, 6);
            $joints = [];
            for ($j = 0, $count = $random->getInt(5, 7); $j < $count; $j++) {
                $a = $random->getInt(0, $pieces - 1);
                $b = ($a + $random->getInt(1, $pieces - 1)) % $pieces;
                $joints[] = self::joint(
                    "j{$j}",
                    "p{$a}",
                    "p{$b}",
                    array_keys(self::AXES)[$random->getInt(0, 2)],
                    $random->getInt(0, 2) === 0 ? 'roll' : 'push',
                );
            }
            self::agree($pieces, $joints, $random->getInt(0, 1) === 0 ? 1 : $random->getInt(0, 2 ** $pieces - 1))
                ? $yes++
                : $no++;
        }
        self::assertGreaterThan(30, $yes);
        self::assertGreaterThan(30, $no);
    }

    /** @param list<PlannedJoint> $joints */
    private static function agree(int $count, array $joints, int $mask): bool
    {
        $pieces = array_map(static fn (int $i): string => "p{$i}", range(0, $count - 1));
        $fixed = array_values(
            array_filter($pieces, static fn (int $i): bool => (bool) (($mask >> $i) & 1), ARRAY_FILTER_USE_KEY),
        );
        $moves = (new AssemblyOrder($pieces, $joints, $fixed))->find();
        $body = array_combine(
            $pieces,
            array_map(
                static fn (string $piece): int => in_array($piece, $fixed, true) ? -1 : (int) substr($piece, 1),
                $pieces,
            ),
        );
        $can = self::anyOrder($body, $joints);
        if (($moves !== null) !== $can) {
            self::fail(
                json_encode(
                    [
                        array_map(
                            static fn (PlannedJoint $j): array => [$j->a, $j->b, $j->axis->x, $j->axis->y, $j->kind],
                            $joints,
                        ),
                        $fixed,
                        $can,
                    ],
                    JSON_THROW_ON_ERROR,
                ),
            );
        }
        if ($moves !== null) {
            self::assertEqualsCanonicalizing(
                array_map(static fn (PlannedJoint $joint): string => $joint->id, $joints),
                array_merge([], ...array_map(static fn (Move $move): array => $move->joints, $moves)),
            );
        }

        return $can;
    }

    /**
     * Tries every joint next, one after the other, without any of the planner's bookkeeping.
     *
     * @param array<string, int> $body
     * @param list<PlannedJoint> $open
     */
    private static function anyOrder(array $body, array $open): bool
    {
        if ($open === []) {
            return true;
        }
        foreach ($open as $joint) {
            [$a, $b] = [$body[$joint->a], $body[$joint->b]];
            $together = array_filter(
                $open,
                static fn (PlannedJoint $other): bool => [$body[$other->a], $body[$other->b]] === [$a, $b] ||
                    [$body[$other->a], $body[$other->b]] === [$b, $a],
            );
            $pushed = array_filter($together, static fn (PlannedJoint $other): bool => $other->kind === 'push');
            if ($a === $b && $pushed !== []) {
                return false;
            }
            $ways = [];
            foreach ($pushed as $other) {
                $sign = $body[$other->a] === $a ? 1 : -1;
                $ways[$sign * (int) $other->axis->x.' '.$sign * (int) $other->axis->y] = true;
            }
            if (count($ways) > 1) {
                continue;
            }
            $after = array_map(static fn (int $of): int => $of === max($a, $b) ? min($a, $b) : $of, $body);
            if (
                self::anyOrder(
                    $after,
                    array_values(
                        array_filter($open, static fn (PlannedJoint $other): bool => ! in_array($other, $together, true)),
                    ),
                )
            ) {
                return true;
            }
        }

        return false;
    }

    /** @return iterable<list<PlannedJoint>> every choice of so many joints, or fewer, between so few pieces */
    private static function arrangements(int $pieces, int $most): iterable
    {
        $all = [];
        for ($a = 0; $a < $pieces; $a++) {
            for ($b = $a + 1; $b < $pieces; $b++) {
                foreach (array_keys(self::AXES) as $axis) {
                    foreach (['push', 'roll'] as $kind) {
                        $all[] = ["p{$a}", "p{$b}", $axis, $kind];
                    }
                }
            }
        }
        $choose = static function (int $from, int $left) use (&$choose, $all): iterable {
            yield [];
            for ($i = $from; $left > 0 && $i < count($all); $i++) {
                foreach ($choose($i, $left - 1) as $rest) {
                    yield [$all[$i], ...$rest];
                }
            }
        };
        foreach ($choose(0, $most) as $chosen) {
            yield array_map(
                static fn (array $one, int $i): PlannedJoint => self::joint("j{$i}", ...$one),
                $chosen,
                array_keys($chosen),
            );
        }
    }

    /** @param 'push'|'slide'|'roll'|'union' $kind */
    private static function joint(
        string $id,
        string $a,
        string $b,
        string $axis,
        string $kind = 'push',
        float $room = 0.0,
    ): PlannedJoint {
        return new PlannedJoint(
            $id,
            $a,
            $b,
            new Vec3(...array_map(floatval(...), self::AXES[$axis])),
            40.0,
            $kind,
            $room,
        );
    }
}
