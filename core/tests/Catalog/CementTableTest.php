<?php

declare(strict_types=1);

namespace FallBend\Core\Tests\Catalog;

use FallBend\Core\Catalog\Catalogue;
use FallBend\Core\Catalog\CementTable;
use LogicException;
use PHPUnit\Framework\TestCase;

/** Which cement the table names for two materials. */
final class CementTableTest extends TestCase
{
    private static function table(): CementTable
    {
        return Catalogue::shipped()->cements();
    }

    public function testACementForJustTheseComesBeforeOneForMore(): void
    {
        $table = self::table();
        self::assertSame(['pvc'], $table->cement('pvc', 'pvc')['welds'] ?? null);
        self::assertSame(['abs'], $table->cement('abs', 'abs')['welds'] ?? null);
        $both = $table->cement('abs', 'pvc')['welds'] ?? [];
        self::assertContains('abs', $both);
        self::assertContains('pvc', $both);
        self::assertSame($table->cement('abs', 'pvc'), $table->cement('pvc', 'abs'));
    }

    public function testNothingIsNamedForWhatNoCementDissolves(): void
    {
        self::assertNull(self::table()->cement('pp', 'pp'));
        self::assertNull(self::table()->cement('iron', 'pvc'));
    }

    public function testEverySizeWaitsLongerInTheColdAndNoSizeWaitsShorterThanASmallerOne(): void
    {
        foreach ([...self::table()->sets, self::table()->cure] as ['steps' => $steps]) {
            $before = 0.0;
            foreach ($steps as ['min' => $min]) {
                self::assertLessThanOrEqual($min['cold'], $min['cool']);
                self::assertLessThanOrEqual($min['cool'], $min['warm']);
                self::assertGreaterThanOrEqual($before, $min['warm']);
                $before = $min['warm'];
            }
        }
    }

    public function testANumberThatIsNotThereIsNoNought(): void
    {
        $this->expectException(LogicException::class);
        self::table()->number('no-such-number');
    }
}
