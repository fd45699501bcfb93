<?php

declare(strict_types=1);

namespace FallBend\Core\Tests\Measure;

use FallBend\Core\Measure\Length;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;

final class LengthTest extends TestCase
{
    public function testSixtyFourthsAndMillimetresAreExact(): void
    {
        $sum = Length::nm(0);
        for ($i = 0; $i < 64; $i++) {
            $sum = $sum->plus(Length::nm(396_875));
        }
        self::assertSame(Length::NM_PER_INCH, $sum->nanometres);
        self::assertSame(Length::NM_PER_INCH, Length::mm(25.4)->nanometres);
        self::assertSame(-1_384_300_000, Length::mm(1384.3)->negated()->nanometres);
    }

    /** @return iterable<string, array{int, int, int}> nanometres, mark, marks */
    public static function roundings(): iterable
    {
        yield 'nothing' => [0, 10, 0];
        yield 'below a half' => [4, 10, 0];
        yield 'a half goes up' => [5, 10, 1];
        yield 'a half goes down below zero' => [-5, 10, -1];
        yield 'just above minus a half' => [-4, 10, 0];
        yield 'odd mark' => [4, 7, 1];
        yield 'just below half an odd mark' => [3, 7, 0];
        yield 'large' => [1_000_000_000_004, 10, 100_000_000_000];
    }

    #[DataProvider('roundings')]
    public function testRoundsHalfAwayFromZero(int $nanometres, int $mark, int $marks): void
    {
        self::assertSame($marks, Length::nm($nanometres)->inMarks($mark));
        self::assertSame(-$marks, Length::nm(-$nanometres)->inMarks($mark));
    }

    public function testKnowsWhetherATapeCanSayIt(): void
    {
        self::assertTrue(Length::nm(396_875 * 77)->isTapeFraction());
        self::assertFalse(Length::nm(396_875 * 77 + 1)->isTapeFraction());
        self::assertFalse(Length::mm(1384)->isTapeFraction());
    }
}
