<?php

declare(strict_types=1);

namespace FallBend\Core\Tests\Job;

use FallBend\Core\Catalog\Catalogue;
use FallBend\Core\Input\Fields;
use FallBend\Core\Job\Price;
use FallBend\Core\Job\StickPrice;
use PHPUnit\Framework\TestCase;

/** What things cost, by what tells them apart. */
final class PriceTest extends TestCase
{
    public function testTheSameThingInAnotherPipeHasAnotherPrice(): void
    {
        $row = static fn (string $pipe): Fields => Fields::of([
            'what' => 'san tee',
            'size' => '2',
            'pipe' => $pipe,
            'each' => 4.5,
        ]);
        self::assertCount(2, Price::list([$row('PVC'), $row('ABS')]));
        $this->expectExceptionMessage('stands twice');
        Price::list([$row('PVC'), $row('PVC')]);
    }

    public function testASticksPriceIsThatOfItsLength(): void
    {
        $stick = static fn (float $mm): string => StickPrice::read(
            Fields::of(['system' => 'pvc-dwv-40', 'size' => '2', 'length_mm' => $mm, 'price' => 10]),
            Catalogue::shipped(),
        )->key();
        self::assertSame($stick(3048), $stick(3048.04), 'nearer than a tape tells it is the same stick');
        self::assertNotSame($stick(3048), $stick(6096));
    }
}
