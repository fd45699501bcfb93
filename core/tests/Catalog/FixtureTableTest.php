<?php

declare(strict_types=1);

namespace FallBend\Core\Tests\Catalog;

use FallBend\Core\Catalog\Catalogue;
use FallBend\Core\Catalog\FixtureKind;
use PHPUnit\Framework\TestCase;

/** What fixtures load a drain with, by book. */
final class FixtureTableTest extends TestCase
{
    public function testALoadIsThatOfTheBookThatIsAskedFor(): void
    {
        $table = Catalogue::shipped()->fixtures();
        // UPC table 702.1 and IPC table 709.1 both count a kitchen sink as 2.
        self::assertSame(2.0, $table->load(FixtureKind::KitchenSink, 'upc-2021')?->value);
        self::assertSame(2.0, $table->load(FixtureKind::KitchenSink, 'ipc-2021')?->value);
        self::assertNull($table->load(FixtureKind::KitchenSink, 'no-such-book'), 'of a book that is not there');
    }

    public function testABathroomIsCountedTogetherWhereABookDoesSo(): void
    {
        $table = Catalogue::shipped()->fixtures();
        self::assertSame(['', 'large-flush'], array_keys($table->groups('ipc-2021')->bathrooms));
        self::assertTrue($table->groups('upc-2021')->isNone(), 'the book adds each fixture up');
    }
}
