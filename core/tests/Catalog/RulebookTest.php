<?php

declare(strict_types=1);

namespace FallBend\Core\Tests\Catalog;

use FallBend\Core\Catalog\Catalogue;
use FallBend\Core\Catalog\FixtureKind;
use FallBend\Core\Catalog\Rulebook;
use FallBend\Core\Catalog\RulebookOverride;
use LogicException;
use PHPUnit\Framework\TestCase;

/** What a rulebook gives for what it is asked. */
final class RulebookTest extends TestCase
{
    public function testATableOfFallsGivesTheSteepestRowThatIsNotSteeper(): void
    {
        $book = self::book();
        self::assertSame(180.0, $book->atFall('load.drain', '4', 12.0)?->value);
        self::assertSame(216.0, $book->atFall('load.drain', '4', 1000 / 48)?->value);
        self::assertSame(216.0, $book->atFall('load.drain', '4', 30.0)?->value);
        self::assertSame(250.0, $book->atFall('load.drain', '4', 500.0)?->value);
        // What no level shows is no flatter fall: 0.1 mm per m.
        self::assertSame(216.0, $book->atFall('load.drain', '4', 20.8)?->value);
        self::assertNull($book->atFall('load.drain', '4', 5.0));
        self::assertNull($book->atFall('load.drain', '110', 30.0));
    }

    public function testARowForASizeIsForNoOther(): void
    {
        $book = self::book();
        self::assertSame(1828.8, $book->forSize('trap-arm.most', '1-1/2')?->value);
        self::assertSame(2438.4, $book->forFixture('trap-arm.most', FixtureKind::Lavatory, '2')?->value);
        self::assertNull($book->forSize('trap-arm.most', '110'));
        self::assertNull($book->forFixture('trap-arm.most', FixtureKind::Lavatory, '110'));
    }

    public function testARowThatNamesNoSizeIsForEvery(): void
    {
        self::assertSame(50.8, self::book()->forSize('trap.seal-least', '110')?->value);
        self::assertSame(50.8, self::book()->forFixture('trap.seal-least', FixtureKind::Lavatory)?->value);
    }

    public function testANumberThatIsNotThereIsNoNought(): void
    {
        $this->expectException(LogicException::class);
        self::book()->number('no.such-number');
    }

    public function testWhatABookDoesNotSpeakOfItDoesNotAllow(): void
    {
        self::assertTrue(self::book()->allows('valve.taken'));
        self::assertFalse(self::book()->allows('no.such-number'));
        self::assertNull(self::book()->source('no.such-number'));
    }

    public function testAnOwnValueStandsInThePlaceOfTheBooksAndSaysSo(): void
    {
        $own = self::book()->with([
            new RulebookOverride('ipc-2021', 'trap-arm.most.2', 1500.0, 'our inspector'),
            new RulebookOverride('upc-2021', 'trap-arm.most.1-1-2', 10.0, 'of another book'),
            new RulebookOverride('ipc-2021', 'no.such-number', 10.0, 'of nothing'),
        ]);
        self::assertSame(1500.0, $own->forSize('trap-arm.most', '2')?->value);
        self::assertSame(1500.0, $own->threshold('trap-arm.most.2')?->value);
        self::assertContains(1500.0, array_column($own->topic('trap-arm.most'), 'value'));
        self::assertSame(1828.8, $own->forSize('trap-arm.most', '1-1/2')?->value);
        self::assertStringContainsString('our inspector', (string) $own->source('trap-arm.most.2')?->source);
        self::assertSame(2438.4, self::book()->forSize('trap-arm.most', '2')?->value);
        self::assertCount(count(self::book()->thresholds()), $own->thresholds());
    }

    private static function book(): Rulebook
    {
        return Catalogue::shipped()->rulebook('ipc-2021');
    }
}
