<?php

declare(strict_types=1);

namespace FallBend\Core\Tests\Job;

use FallBend\Core\Input\BadInput;
use FallBend\Core\Job\Marks;
use PHPUnit\Framework\TestCase;

final class MarksTest extends TestCase
{
    public function testWhatIsMarkedKeepsItsMarkAndWhatIsNewTakesTheNext(): void
    {
        $marks = (new Marks)->allot(['l1.1', 'l2.1'], ['outlet', 'tie-in']);
        self::assertSame(['l1.1' => 'A', 'l2.1' => 'B'], $marks->pieces);
        self::assertSame(['outlet' => 1, 'tie-in' => 2], $marks->joints);
        $more = $marks->allot(['l1.1', 'l9.1', 'l2.1'], ['outlet', 'l9.in', 'tie-in']);
        self::assertSame('C', $more->pieces['l9.1']);
        self::assertSame(3, $more->joints['l9.in']);
        self::assertSame('B', $more->pieces['l2.1']);
        self::assertSame($more->pieces, $more->allot(['l2.1'], [])->pieces, 'a piece that is gone keeps its letter');
    }

    public function testJoinedLedgersHaveUsedUpWhatEitherHas(): void
    {
        $mine = (new Marks)->allot(['a'], ['x']);
        $theirs = $mine->allot(['b', 'c'], ['y']);
        $joined = $mine->joined($theirs);
        self::assertSame('D', $joined->allot(['new'], [])->pieces['new']);
        self::assertSame($theirs->pieces, $joined->pieces);
    }

    /**
     * Two plans that start from one ledger allot the same next letters; the ledger that is kept goes before the plan
     * that comes later.
     */
    public function testWhatIsKeptGoesBeforeWhatComesLater(): void
    {
        $anchor = (new Marks)->allot(['a', 'b'], ['x']);
        $kept = $anchor->allot(['pair'], ['pair.in', 'pair.out']);
        $later = $anchor->allot(['single'], ['single.in']);
        $joined = $kept->joined($later);
        self::assertSame(['a' => 'A', 'b' => 'B', 'pair' => 'C', 'single' => 'D'], $joined->pieces);
        self::assertSame(['x' => 1, 'pair.in' => 2, 'pair.out' => 3, 'single.in' => 4], $joined->joints);
        self::assertSame([4, 5], [$joined->nextPiece, $joined->nextJoint]);
        self::assertSame('E', $joined->allot(['more'], [])->pieces['more']);
    }

    public function testWhatIsWrittenHasTheFigureOfTheRunBeforeIt(): void
    {
        $marks = (new Marks)->withFigure(7)->allot(['a', 'b'], ['x', 'y']);
        self::assertSame(['7A', '7B'], [$marks->onPiece('a'), $marks->onPiece('b')]);
        self::assertSame(['7.1', '7.2', '7.31'], [$marks->atJoint('x'), $marks->atJoint('y'), $marks->ofNumber(31)]);
        $plain = (new Marks)->allot(['a'], ['x']);
        self::assertSame(['A', '1'], [$plain->onPiece('a'), $plain->atJoint('x')]);
        // What is written on the pipe stays; a ledger with nothing in it takes the figure of the plan.
        self::assertSame(0, $plain->joined($marks)->figure);
        self::assertSame(7, $marks->joined($marks->withFigure(9))->figure);
        self::assertSame(7, (new Marks)->joined($marks)->figure);
    }

    public function testAUsedUpLedgerIsRefusedWhole(): void
    {
        $marks = new Marks([], [], Marks::PIECES_END - 1, Marks::JOINTS_END - 1);
        self::assertSame(Marks::PIECES_END, $marks->allot(['last'], ['last'])->nextPiece);
        $this->expectException(BadInput::class);
        $marks->allot(['last', 'one more'], []);
    }

    public function testOfVeryManyTheOldestThatAreGoneAreForgottenButNotUsedAgain(): void
    {
        $marks = (new Marks)->allot(array_map(static fn (int $i): string => "l{$i}.1", range(1, 12_000)), []);
        $now = $marks->allot(['l1.1', 'new'], []);
        self::assertLessThanOrEqual(Marks::MOST, count($now->pieces));
        self::assertLessThan(12_000, count($now->pieces));
        self::assertSame(['A', Marks::letter(12_000)], [$now->pieces['l1.1'], $now->pieces['new']]);
    }

    /** Whatever comes and goes, no two places ever have one letter. */
    public function testNoLetterIsEverUsedTwice(): void
    {
        mt_srand(3);
        $marks = new Marks;
        for ($i = 0; $i < 300; $i++) {
            $keys = array_map(static fn (): string => 'l'.mt_rand(1, 60).'.1', range(1, mt_rand(1, 8)));
            $keys = array_values(array_unique($keys));
            $before = $marks->pieces;
            $marks = match (mt_rand(0, 3)) {
                0 => $marks->joined((new Marks)->joined($marks)),
                1 => $marks->joined((new Marks)->allot($keys, $keys)),
                2 => $marks->allot($keys, $keys)->joined($marks->allot(array_reverse($keys), array_reverse($keys))),
                default => $marks->allot($keys, $keys),
            };
            self::assertSame($before, array_intersect_key($marks->pieces, $before), 'what is marked keeps its mark');
            self::assertSame(count($marks->pieces), count(array_unique($marks->pieces)));
            self::assertSame(count($marks->joints), count(array_unique($marks->joints)));
        }
        self::assertSame(60, count($marks->pieces));
    }
}
