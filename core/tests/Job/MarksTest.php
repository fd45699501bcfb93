<?php

declare(strict_types=1);

namespace FallBend\Core\Tests\Job;

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

    /** Whatever comes and goes, no two places ever have one letter. */
    public function testNoLetterIsEverUsedTwice(): void
    {
        mt_srand(3);
        $marks = new Marks;
        for ($i = 0; $i < 300; $i++) {
            $keys = array_map(static fn (): string => 'l'.mt_rand(1, 60).'.1', range(1, mt_rand(1, 8)));
            $marks = mt_rand(0, 3) === 0 ? $marks->joined((new Marks)->joined($marks)) : $marks->allot(array_values(array_unique($keys)), array_values(array_unique($keys)));
            self::assertSame(count($marks->pieces), count(array_unique($marks->pieces)));
            self::assertSame(count($marks->joints), count(array_unique($marks->joints)));
        }
        self::assertSame(60, count($marks->pieces));
    }
}
