<?php

declare(strict_types=1);

namespace FallBend\Core\Tests\Layout;

use FallBend\Core\Catalog\Bend;
use FallBend\Core\Layout\Turn;
use FallBend\Core\Layout\TurnTrouble;
use FallBend\Core\Tests\Fixtures;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;

final class TurnFinderTest extends TestCase
{
    /** @return iterable<string, array{string, string, string}> rulebook, call-out, what stands at its last turn */
    public static function turns(): iterable
    {
        yield 'in line' => ['ipc-2021', 'north 40 / on 40', 'coupling/2'];
        yield 'a little steeper, within the play' => ['ipc-2021', 'north 40 fall 1/4 / on 40 fall 1/2', 'coupling/2'];
        yield 'steeper than the play' => [
            'ipc-2021',
            'north 40 fall 1/4 / on 40 fall 3/4',
            'sixteenth/2 + sixteenth/2',
        ];
        yield 'eighth' => ['ipc-2021', 'north 40 / right 45° 40', 'eighth/2'];
        yield 'eighth, a degree off' => ['ipc-2021', 'north 40 / right 46° 40', 'eighth/2'];
        yield 'eighth, two degrees off' => ['ipc-2021', 'north 40 / right 47° 40', 'sixteenth/2 + eighth/2'];
        yield 'sixteenth' => ['ipc-2021', 'north 40 / right 22.5° 40', 'sixteenth/2'];
        yield 'sixth' => ['ipc-2021', 'north 40 / right 60° 40', 'sixth/2'];
        yield 'square in a drain' => ['ipc-2021', 'north 40 / right 40', 'long-sweep/2'];
        yield 'square, UPC' => ['upc-2021', 'north 40 / right 40', 'long-sweep/2'];
        yield 'level to upright' => ['ipc-2021', 'north 40 / down 40', 'quarter/2'];
        yield 'level to upright, UPC' => ['upc-2021', 'north 40 / down 40', 'quarter/2'];
        yield 'upright to level' => ['upc-2021', 'down 40 / ahead 40', 'long-sweep/2'];
        yield 'odd angle' => ['ipc-2021', 'north 40 / right 75° 40', 'eighth/2 + eighth/2'];
        yield 'asked for' => ['ipc-2021', 'north 40 / right 75° 40 with 60+22', 'sixth/2 + sixteenth/2'];
        yield 'asked for, the second standing in the first' => [
            'ipc-2021',
            'north 40 / right 75° 40 with 45+45 street',
            'eighth/2 + street-eighth/2',
        ];
        yield 'standing in the fitting before' => [
            'ipc-2021',
            'north 40 / right close / left 45° 40',
            'street-eighth/2',
        ];
        yield 'in the larger size' => ['ipc-2021', 'north 40 size 2 / right 45° 40 size 4', 'eighth/4'];
        yield 'and when it gets smaller too' => ['ipc-2021', 'north 40 size 4 / right 45° 40 size 2', 'eighth/4'];
    }

    #[DataProvider('turns')]
    public function testFindsWhatStandsThere(string $rulebook, string $callOut, string $parts): void
    {
        $turn = self::lastTurn($callOut, $rulebook);
        $found =
            $turn->coupling === null
                ? implode(' + ', array_map(static fn (Bend $bend): string => $bend->id, $turn->bends))
                : $turn->coupling->id;
        self::assertSame($parts, $found);
        self::assertNull($turn->trouble);
        self::assertLessThanOrEqual(0.75, $turn->strainDeg);
    }

    public function testTakeOffsRunToTheStopsWithTheBushings(): void
    {
        $turn = self::lastTurn('north 40 size 2 / right 45° 40 size 4');
        $bend = $turn->bends[0];
        self::assertEqualsWithDelta($bend->takeOffMm + 3.175, $turn->takeInMm(), 1e-9);
        self::assertEqualsWithDelta($bend->takeOffMm, $turn->takeOutMm(), 1e-9);
        $stands = self::lastTurn('north 40 / right close / left 45° 40');
        self::assertEqualsWithDelta($stands->bends[0]->spigotMm, $stands->takeInMm(), 1e-9);
    }

    public function testStrainIsSharedByTheJointsOfTheTurn(): void
    {
        self::assertEqualsWithDelta(0.5, self::lastTurn('north 40 level / right 46° 40 level')->strainDeg, 1e-6);
        self::assertEqualsWithDelta(
            1.25,
            self::lastTurn('north 40 level / right 46.25° 40 level with 45')->strainDeg * 2,
            1e-6,
        );
        self::assertSame(0.0, self::lastTurn('north 40 / right 75° 40')->strainDeg, 'a pair is rolled until it fits');
    }

    public function testAStraightBackIsMadeOfTwoQuarterBendsWithinTheirPlay(): void
    {
        $turn = self::lastTurn('north 40 fall 1/4 / back 40 fall 1/4');
        self::assertSame(
            TurnTrouble::OutOfReach,
            $turn->trouble,
            'the gentlest pair reaches 177.6°; the choice is left to the user',
        );
        self::assertNull(self::lastTurn('north 40 fall 1/4 / back 40 fall 1/4 with short+short')->trouble);
    }

    private static function lastTurn(string $callOut, string $rulebook = 'ipc-2021'): Turn
    {
        $legs = Fixtures::layout($callOut, [], $rulebook)->legs;
        $turn = $legs[count($legs) - 1]->turn;
        self::assertNotNull($turn);

        return $turn;
    }
}
