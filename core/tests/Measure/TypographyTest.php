<?php

declare(strict_types=1);

namespace FallBend\Core\Tests\Measure;

use FallBend\Core\Measure\Typography;
use PHPUnit\Framework\TestCase;

final class TypographyTest extends TestCase
{
    public function testPlainMarksKeepTheNumberOfCharacters(): void
    {
        foreach (['4’ 6½”', '4′ 6 1⁄2″', "54\u{00A0}½", '−2 – 3', '³⁄₁₆', 'plain'] as $text) {
            self::assertSame(mb_strlen($text), mb_strlen(Typography::plainMarks($text)), $text);
        }
        self::assertSame('3/16', Typography::plainMarks('³⁄₁₆'));
    }

    public function testFractionsAreWrittenOutAndStandApart(): void
    {
        self::assertSame('54 1/2', Typography::plain('54½'));
        self::assertSame('54 1/2', Typography::plain('54 ½'));
        self::assertSame('1/2', Typography::plain('½'));
        self::assertSame('4\' 6 7/8"', Typography::plain('4’ 6⅞”'));
    }
}
