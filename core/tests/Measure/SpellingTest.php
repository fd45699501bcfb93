<?php

declare(strict_types=1);

namespace FallBend\Core\Tests\Measure;

use FallBend\Core\Catalog\NumberNames;
use FallBend\Core\Measure\Phrasing;
use FallBend\Core\Measure\Spelling;
use FallBend\Core\Measure\Units;
use PHPUnit\Framework\TestCase;

final class SpellingTest extends TestCase
{
    public function testItFollowsTheCountryOfTheJob(): void
    {
        $text = 'Centre to stop, in millimetres; a calliper, a colour.';
        self::assertSame($text, Spelling::in(Units::Millimetre, $text));
        self::assertSame('Center to stop, in millimeters; a caliper, a color.', Spelling::in(Units::Inch, $text));
        self::assertSame('center to stop', NumberNames::label('take_off_mm', Units::Inch));
        self::assertSame('centre to stop', NumberNames::label('take_off_mm', Units::Millimetre));
    }

    public function testWhatSomebodyTypedStaysAsItIs(): void
    {
        self::assertSame(
            'The run ends above the center of Centre Street stub.',
            (new Phrasing(Units::Inch))->filled('The run ends above the centre of {tie_in}.', [
                'tie_in' => 'Centre Street stub',
            ]),
        );
    }
}
