<?php

declare(strict_types=1);

namespace FallBend\Core\Tests\Measure;

use FallBend\Core\Measure\Length;
use FallBend\Core\Measure\TapePrinter;
use FallBend\Core\Measure\TapeReader;
use FallBend\Core\Measure\Units;
use FallBend\Core\Measure\UnreadableLength;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;

final class TapeReaderTest extends TestCase
{
    /** @return iterable<string, array{Units, string, int}> units, text, nanometres */
    public static function readable(): iterable
    {
        $inches = [
            '54 1/2' => 1_384_300_000,
            '54-1/2' => 1_384_300_000,
            '54½' => 1_384_300_000,
            '54 ½' => 1_384_300_000,
            '½' => 12_700_000,
            '4\' 6 1/2"' => 1_384_300_000,
            '4’ 6½”' => 1_384_300_000,
            '4′ 6 1⁄2″' => 1_384_300_000,
            "4' 6" => 1_371_600_000,
            '4ft 6in' => 1_371_600_000,
            '4 feet 6 1/2 inches' => 1_384_300_000,
            "4'" => 1_219_200_000,
            "4'6" => 1_371_600_000,
            "4'-6\"" => 1_371_600_000,
            '54.5' => 1_384_300_000,
            '54.5in' => 1_384_300_000,
            '54,5' => 1_384_300_000,
            '54.5 "' => 1_384_300_000,
            '1/64' => 396_875,
            '63/64' => 25_003_125,
            '0' => 0,
            '-2 1/4' => -57_150_000,
            '−2' => -50_800_000,
            '1384 mm' => 1_384_000_000,
            '1.384 m' => 1_384_000_000,
            '138,4 cm' => 1_384_000_000,
            '0.000001 mm' => 1,
            '0.0000005mm' => 1,
        ];
        foreach ($inches as $text => $nm) {
            yield "inch: {$text}" => [Units::Inch, (string) $text, $nm];
        }
        foreach (
            [
                '1384' => 1_384_000_000,
                '1384.5' => 1_384_500_000,
                '1384,5' => 1_384_500_000,
                '54 1/2 in' => 1_384_300_000,
                "4' 6" => 1_371_600_000,
                '1.384m' => 1_384_000_000,
            ] as $text => $nm
        ) {
            yield "mm: {$text}" => [Units::Millimetre, (string) $text, $nm];
        }
    }

    #[DataProvider('readable')]
    public function testReadsWhatATapeSays(Units $units, string $text, int $nanometres): void
    {
        self::assertSame($nanometres, (new TapeReader($units))->read($text)->nanometres);
    }

    /** @return iterable<string, array{Units, string, string}> units, text, part of the message */
    public static function unreadable(): iterable
    {
        yield 'comma before three digits' => [Units::Millimetre, '1,384', 'two ways'];
        yield 'the same in inches' => [Units::Inch, '0,125', 'two ways'];
        yield 'and in the middle' => [Units::Inch, '1,384 mm', 'two ways'];
        yield 'thirds' => [Units::Inch, '5 1/3', 'no tape has'];
        yield 'improper' => [Units::Inch, '5/4', 'no tape has'];
        yield 'over nothing' => [Units::Inch, '5 1/0', 'no tape has'];
        yield 'fraction of a millimetre' => [Units::Millimetre, '54 1/2', 'in millimetres'];
        yield 'thirteen inches beside feet' => [Units::Inch, "4' 13", '12 inches or more'];
        yield 'nothing' => [Units::Inch, '', 'not a length'];
        yield 'a word' => [Units::Inch, 'long', 'not a length'];
        yield 'two numbers' => [Units::Inch, '5 6', 'not a length'];
        yield 'an exponent' => [Units::Millimetre, '1e3', 'not a length'];
        yield 'too long' => [Units::Millimetre, '1000001 m', 'kilometre'];
        yield 'far too long' => [Units::Inch, '999999999 m', 'kilometre'];
    }

    #[DataProvider('unreadable')]
    public function testRefusesWithTheReason(Units $units, string $text, string $reason): void
    {
        $this->expectException(UnreadableLength::class);
        $this->expectExceptionMessage($reason);
        (new TapeReader($units))->read($text);
    }

    public function testPrintingAndReadingIsStable(): void
    {
        mt_srand(20261123);
        foreach (Units::cases() as $units) {
            $reader = new TapeReader($units);
            for ($i = 0; $i < 2000; $i++) {
                $length = Length::nm(mt_rand(-40_000_000_000, 40_000_000_000));
                $printed = TapePrinter::withUnit($length, $units);
                $read = $reader->read($printed);
                self::assertSame($printed, TapePrinter::withUnit($read, $units), $printed);
                self::assertLessThanOrEqual(
                    intdiv($units->markNm(), 2) + 1,
                    abs($read->nanometres - $length->nanometres),
                    $printed,
                );
                self::assertSame($length->nanometres, $reader->read(TapePrinter::exact($length, $units))->nanometres);
                self::assertSame(
                    TapePrinter::feet($length),
                    TapePrinter::feet((new TapeReader(Units::Inch))->read(TapePrinter::feet($length))),
                );
            }
        }
    }

    public function testBareNumbersFollowTheJob(): void
    {
        self::assertSame(Length::NM_PER_INCH * 20, (new TapeReader(Units::Inch))->read('20')->nanometres);
        self::assertSame(Length::NM_PER_MM * 20, (new TapeReader(Units::Millimetre))->read('20')->nanometres);
    }
}
