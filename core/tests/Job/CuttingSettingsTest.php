<?php

declare(strict_types=1);

namespace FallBend\Core\Tests\Job;

use FallBend\Core\Input\BadInput;
use FallBend\Core\Input\Fields;
use FallBend\Core\Job\CuttingSettings;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;

/** What there is to cut with and from, as a job file holds it. */
final class CuttingSettingsTest extends TestCase
{
    public function testWhereNobodySaidAnythingNothingIsWritten(): void
    {
        self::assertSame([], self::read([])->toArray());
        self::assertSame([], self::read(['objective' => 'sticks', 'effort' => 1])->toArray());
    }

    public function testWhatWasSaidIsWrittenAsItWasRead(): void
    {
        $said = [
            'kerf_mm' => 3.0,
            'objective' => 'price',
            'effort' => 4,
            'stock' => [['system' => 'pvc-dwv-40', 'size' => '2', 'length_mm' => 3048.0, 'available' => 0]],
        ];
        self::assertEquals($said, self::read($said)->toArray());
    }

    /** @return iterable<string, array{array<string, mixed>, string}> with the place that is wrong */
    public static function wrong(): iterable
    {
        yield 'what was cut' => [['cut' => []], 'cut'];
        yield 'too much effort' => [['effort' => 17], 'effort'];
        yield 'less than none' => [
            ['stock' => [['system' => 's', 'size' => '2', 'length_mm' => 9.0, 'available' => -1]]],
            'stock.0.available',
        ];
    }

    /** @param array<string, mixed> $fields */
    #[DataProvider('wrong')]
    public function testWhatIsWrongIsRefusedAtItsPlace(array $fields, string $at): void
    {
        try {
            self::read($fields);
            self::fail('it was taken');
        } catch (BadInput $refused) {
            self::assertSame($at, $refused->field);
        }
    }

    /** @param array<string, mixed> $fields */
    private static function read(array $fields): CuttingSettings
    {
        return CuttingSettings::read(Fields::of($fields));
    }
}
