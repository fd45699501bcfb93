<?php

declare(strict_types=1);

namespace FallBend\Core\Tests\Identify;

use FallBend\Core\Identify\Evidence;
use FallBend\Core\Input\BadInput;
use FallBend\Core\Input\Fields;
use PHPUnit\Framework\TestCase;

/** What is known of a pipe, as it is given. */
final class EvidenceTest extends TestCase
{
    public function testAStringCountsByThePipesRoundness(): void
    {
        $round = self::read(['circumference_mm' => 189.5, 'reading_error_mm' => 3.0]);
        self::assertEqualsWithDelta(60.32, $round->outsideMm, 0.01);
        self::assertEqualsWithDelta(0.955, $round->errorMm, 0.001);
        self::assertTrue($round->isString);
        $across = self::read(['od_mm' => 60.3, 'reading_error_mm' => 0.4]);
        self::assertSame([60.3, 0.4, false], [$across->outsideMm, $across->errorMm, $across->isString]);
    }

    public function testAMagnetThatWasNotTriedIsNoMagnetThatDidNotHold(): void
    {
        self::assertNull(self::read(['od_mm' => 60.3, 'reading_error_mm' => 1])->magnet);
        self::assertFalse(self::read(['od_mm' => 60.3, 'reading_error_mm' => 1, 'magnet' => false])->magnet);
    }

    public function testPrintIsReadInSmallLetters(): void
    {
        self::assertSame('abs dwv', self::read(['od_mm' => 60, 'reading_error_mm' => 1, 'print' => 'ABS DWV'])->print);
    }

    public function testOneReadingIsWantedAndNotTwo(): void
    {
        foreach (
            [['reading_error_mm' => 1], ['od_mm' => 60, 'circumference_mm' => 190, 'reading_error_mm' => 1]] as $of
        ) {
            try {
                self::read($of);
                self::fail('it was taken');
            } catch (BadInput $refused) {
                self::assertSame('od_mm', $refused->field);
            }
        }
    }

    /** @param array<string, mixed> $fields */
    private static function read(array $fields): Evidence
    {
        return Evidence::read(Fields::of($fields));
    }
}
