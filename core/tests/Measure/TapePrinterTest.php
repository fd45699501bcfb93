<?php

declare(strict_types=1);

namespace FallBend\Core\Tests\Measure;

use FallBend\Core\Measure\Fall;
use FallBend\Core\Measure\Length;
use FallBend\Core\Measure\TapePrinter;
use FallBend\Core\Measure\Units;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;

final class TapePrinterTest extends TestCase
{
    /** @return iterable<string, array{int, string, string, string}> nanometres, inches, feet, millimetres */
    public static function lengths(): iterable
    {
        yield 'a half' => [1_384_300_000, '54 1/2', '4\' 6 1/2"', '1384'];
        yield 'below two feet' => [14 * 25_400_000, '14', '14"', '356'];
        yield 'whole feet' => [48 * 25_400_000, '48', "4'", '1219'];
        yield 'just under a mark' => [25_400_000 / 32 - 1, '0', '0"', '1'];
        yield 'half a mark goes away from zero' => [25_400_000 / 32, '1/16', '1/16"', '1'];
        yield 'and below zero too' => [-25_400_000 / 32, '-1/16', '-1/16"', '-1'];
        yield 'half a millimetre goes away from zero' => [500_000, '0', '0"', '1'];
        yield 'carries to the next inch' => [25_400_000 - 100_000, '1', '1"', '25'];
        yield 'lowest terms' => [25_400_000 * 3 / 8, '3/8', '3/8"', '10'];
    }

    #[DataProvider('lengths')]
    public function testSaysATape(int $nanometres, string $inches, string $feet, string $millimetres): void
    {
        $length = Length::nm($nanometres);
        self::assertSame($inches, TapePrinter::inches($length));
        self::assertSame($feet, TapePrinter::feet($length));
        self::assertSame($millimetres, TapePrinter::millimetres($length));
    }

    public function testADoubtIsRoundedUpToAMark(): void
    {
        self::assertSame('1/16 in', TapePrinter::within(Length::mm(0.0), Units::Inch));
        self::assertSame('1/8 in', TapePrinter::within(Length::mm(2.1), Units::Inch));
        self::assertSame('2 mm', TapePrinter::within(Length::mm(1.3), Units::Millimetre));
        self::assertSame('1/4 in', TapePrinter::within(Length::mm(6.4), Units::Inch), 'as good as a quarter');
        self::assertSame('3 mm', TapePrinter::within(Length::mm(3.0), Units::Millimetre));
    }

    public function testFallsAreFractionsOfAnInchPerFoot(): void
    {
        self::assertSame('1/4 in per ft', Fall::mmPerM(1000 / 48)->inWords(Units::Inch));
        self::assertSame('about 1/4 in per ft', Fall::mmPerM(20.0)->inWords(Units::Inch));
        self::assertSame('20.8 mm per m', Fall::mmPerM(1000 / 48)->inWords(Units::Millimetre));
        self::assertEqualsWithDelta(1.1935, Fall::inPerFt(0.25)->toDeg(), 1e-4);
    }
}
