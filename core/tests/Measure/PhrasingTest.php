<?php

declare(strict_types=1);

namespace FallBend\Core\Tests\Measure;

use FallBend\Core\Measure\Phrasing;
use FallBend\Core\Measure\Units;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;

/** Numbers in sentences: what differs is not said alike, and what is missing is not said to be nothing. */
final class PhrasingTest extends TestCase
{
    /** @return iterable<string, array{string, array<string, float>, string, string}> text, numbers, inches, mm */
    public static function sentences(): iterable
    {
        $twoLengths = '{a_mm}; the most is {b_mm}';
        yield 'far apart' => [
            $twoLengths,
            ['a_mm' => 60.0, 'b_mm' => 50.0],
            '2 3/8 in; the most is 1 15/16 in',
            '60 mm; the most is 50 mm',
        ];
        yield 'near' => [
            $twoLengths,
            ['a_mm' => 55.2, 'b_mm' => 54.9],
            '2 3/16 in; the most is 2 5/32 in',
            '55.2 mm; the most is 54.9 mm',
        ];
        yield 'nearer' => [
            $twoLengths,
            ['a_mm' => 54.2, 'b_mm' => 54.1],
            '2 9/64 in; the most is 2 1/8 in',
            '54.2 mm; the most is 54.1 mm',
        ];
        yield 'the same' => [
            $twoLengths,
            ['a_mm' => 25.4, 'b_mm' => 25.4],
            '1 in; the most is 1 in',
            '25 mm; the most is 25 mm',
        ];
        $twoFalls = '{a_mm_per_m}; at least {b_mm_per_m}';
        yield 'falls' => [
            $twoFalls,
            ['a_mm_per_m' => 10.0, 'b_mm_per_m' => 250 / 12],
            'about 1/8 in per ft; at least 1/4 in per ft',
            '10 mm per m; at least 20.8 mm per m',
        ];
        yield 'falls that are near' => [
            $twoFalls,
            ['a_mm_per_m' => 20.81, 'b_mm_per_m' => 250 / 12],
            'just under 1/4 in per ft; at least 1/4 in per ft',
            '20.81 mm per m; at least 20.83 mm per m',
        ];
        yield 'falls, the one said about' => [
            $twoFalls,
            ['a_mm_per_m' => 21.3, 'b_mm_per_m' => 250 / 12],
            '0.256 in per ft; at least 1/4 in per ft',
            '21.3 mm per m; at least 20.8 mm per m',
        ];
        yield 'a length of the text itself' => [
            'about {3.2 mm} all round, {a_mm} deep',
            ['a_mm' => 25.4],
            'about 1/8 in all round, 1 in deep',
            'about 3 mm all round, 25 mm deep',
        ];
        yield 'a little' => [
            '{a_mm} short',
            ['a_mm' => 0.6],
            '1/32 in short',
            '1 mm short',
        ];
        yield 'less' => [
            '{a_mm} short',
            ['a_mm' => 0.3],
            '1/64 in short',
            '0.3 mm short',
        ];
        yield 'next to nothing' => [
            '{a_mm} short',
            ['a_mm' => 0.002],
            'under 1/64 in short',
            'under 0.01 mm short',
        ];
        yield 'nothing' => [
            '{a_mm} short',
            ['a_mm' => 0.0],
            '0 in short',
            '0 mm short',
        ];
        yield 'rounded up' => [
            'at least {a_atleast_mm}',
            ['a_atleast_mm' => 54.6],
            'at least 2 3/16 in',
            'at least 55 mm',
        ];
    }

    /** @param array<string, float> $numbers */
    #[DataProvider('sentences')]
    public function testLengthsAreSaidAsFinelyAsTheyHaveToBe(
        string $text,
        array $numbers,
        string $inches,
        string $millimetres,
    ): void {
        self::assertSame($inches, (new Phrasing(Units::Inch))->filled($text, $numbers));
        self::assertSame($millimetres, (new Phrasing(Units::Millimetre))->filled($text, $numbers));
    }
}
